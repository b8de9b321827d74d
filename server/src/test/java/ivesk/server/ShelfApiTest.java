package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import ivesk.server.Practice.Answer;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// The shelf over HTTP: labels by version, bottles, openings, tables in and out, scanner and meter.
class ShelfApiTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static Practice practice;

  @BeforeAll
  static void open() {
    practice = Practice.open();
    practice.signIn("ines", "harbour");
  }

  @AfterAll
  static void close() {
    practice.close();
  }

  private static JsonNode shelf() {
    return practice.get("/api/shelf").body();
  }

  private static JsonNode item(JsonNode shelf, String code) {
    for (JsonNode item : shelf.get("items")) {
      if (item.get("label").get("code").asString().equals(code)) return item;
    }
    throw new AssertionError(code + " is not on the shelf");
  }

  /// A label like a shipped one, under a name of its own.
  private static ObjectNode label(String like, String code) {
    ObjectNode label = (ObjectNode) item(shelf(), like).get("label").deepCopy();
    label.put("code", code);
    label.put("name", "Own " + code);
    return label;
  }

  private static Answer save(ObjectNode label, int over) {
    ObjectNode body = JSON.createObjectNode();
    body.set("label", label);
    body.put("over", over);
    return practice.put("/api/shelf/products", body.toString());
  }

  private static Answer saveLot(UUID id, String code, String number, String more, int over) {
    return practice.put(
        "/api/shelf/lots/" + id,
        ("{'over':"
                    + over
                    + ",'lot':{'formulaCode':'"
                    + code
                    + "','number':'"
                    + number
                    + "',"
                    + more)
                .replace('\'', '"')
            + "}}");
  }

  private static final String BOTTLE =
      "'received':'2026-10-01','expires':'2028-06-30','monthsAfterOpening':12,"
          + "'volumeMl':100,'leftMl':100";

  @Nested
  class Products {

    @Test
    void areKeptByVersionAndStandOnTheRack() {
      assertThat(save(label("LAC-30", "HBR-LAC"), 0).status()).isEqualTo(200);
      assertThat(item(shelf(), "HBR-LAC").get("version").asInt()).isEqualTo(1);
      ObjectNode changed = label("LAC-30", "HBR-LAC");
      changed.put("ph", 3.4);
      assertThat(save(changed, 0).status()).as("over a version that was not seen").isEqualTo(409);
      assertThat(save(changed, 1).status()).isEqualTo(200);
      assertThat(item(shelf(), "HBR-LAC").get("version").asInt()).isEqualTo(2);
      String visit = practice.visit("Yara Minhas").get("id").asString();
      JsonNode rack = practice.get("/api/visits/" + visit + "/selection").body();
      assertThat(rack.get("tiles").toString()).contains("\"code\":\"HBR-LAC\"");
      assertThat(practice.delete("/api/shelf/products/HBR-LAC").status()).isEqualTo(200);
      assertThat(shelf().get("items").toString()).doesNotContain("HBR-LAC");
      assertThat(save(changed, 0).status()).as("back under the next version").isEqualTo(200);
      assertThat(item(shelf(), "HBR-LAC").get("version").asInt()).isEqualTo(4);
      practice.delete("/api/shelf/products/HBR-LAC");
    }

    /// What is signed for is what may be on the skin.
    @Test
    void ofTwoAcidsAreReadOfInTheConsentToo() {
      ObjectNode label = label("LAC-30", "HBR-MIX");
      ArrayNode components = (ArrayNode) label.get("components");
      components.add(item(shelf(), "TCA-10").get("label").get("components").get(0).deepCopy());
      assertThat(alsoHeldByLactic()).doesNotContain("TCA");
      assertThat(save(label, 0).status()).isEqualTo(200);
      assertThat(alsoHeldByLactic()).contains("TCA");
      practice.delete("/api/shelf/products/HBR-MIX");
      assertThat(alsoHeldByLactic()).doesNotContain("TCA");
    }

    private static String alsoHeldByLactic() {
      for (JsonNode family : practice.get("/api/words/consent").body().get("families")) {
        if (family.get("family").asString().equals("LACTIC")) {
          return family.get("alsoHolds").toString();
        }
      }
      throw new AssertionError("no text of lactic acid");
    }

    @Test
    void takeThePlaceOfAShippedFormula() {
      ObjectNode label = label("PYR-40", "HBR-PYR");
      label.put("replaces", "PYR-40");
      assertThat(save(label, 0).status()).isEqualTo(200);
      assertThat(item(shelf(), "PYR-40").get("onRack").asBoolean()).isFalse();
      practice.delete("/api/shelf/products/HBR-PYR");
      assertThat(item(shelf(), "PYR-40").get("onRack").asBoolean()).isTrue();
    }

    @ParameterizedTest
    @CsvSource(
        delimiter = '|',
        value = {
          "code | lac | Code is 'lac'; allowed are 2 to 12 capitals",
          "code | LAC-10 | which a shipped formula has",
          "ph | 15 | PH is 15.0; allowed is 0.0 to 14.0",
          "rung | 12 | Rung is 12; allowed is 1 to 9",
          "bandHigh | 11 | Band high is 11",
          "mostSeconds | 9000 | Most contact, s is 9000; allowed is 30 to 7200",
          "layersFirst | 3 | LayersFirst is 3; allowed is 1 to 1",
          "intervalDays | 0 | IntervalDays is 0",
          "replaces | GLY-20 | another family",
          "bufferedInWater | true | buffered in water"
        })
    void wrongLabelsAreRefusedByField(String field, String value, String words) {
      ObjectNode label = label("LAC-30", "BAD-1");
      if (value.matches("\\d+")) label.put(field, Integer.parseInt(value));
      else if (value.equals("true")) label.put(field, true);
      else label.put(field, value);
      Answer answer = save(label, 0);
      assertThat(answer.status()).isEqualTo(400);
      assertThat(answer.detail()).contains(words).contains("Nothing was saved");
      assertThat(shelf().get("items").toString()).doesNotContain("BAD-1");
    }

    @ParameterizedTest
    @ValueSource(ints = {-1, 120})
    void strengthKeepsToItsRange(int percent) {
      ObjectNode label = label("LAC-30", "BAD-2");
      ((ObjectNode) label.get("components").get(0)).put("percentWv", percent);
      assertThat(save(label, 0).detail())
          .contains("Lactic strength, % w/v is " + percent)
          .contains("0.0 to 100.0");
    }
  }

  @Nested
  class Bottles {

    @Test
    void shutARackWhenNoneIsInDate() {
      UUID id = UUID.randomUUID();
      String old = "'received':'2024-01-01','expires':'2025-01-01','volumeMl':100,'leftMl':80";
      assertThat(saveLot(id, "AZM-15", "OLD", old, 0).status()).isEqualTo(200);
      assertThat(item(shelf(), "AZM-15").get("noBottle").asString()).contains("expired");
      String visit = practice.visit("Yara Minhas").get("id").asString();
      JsonNode rack = practice.get("/api/visits/" + visit + "/selection").body();
      for (JsonNode tile : rack.get("tiles")) {
        if (!tile.get("code").asString().equals("AZM-15")) continue;
        assertThat(tile.get("shut").toString()).contains("STOCK").contains("lot OLD");
      }
      assertThat(saveLot(id, "AZM-15", "OLD", BOTTLE, 0).status())
          .as("a second of the same number")
          .isEqualTo(400);
      assertThat(saveLot(id, "AZM-15", "OLD", BOTTLE, 7).status()).isEqualTo(409);
      assertThat(saveLot(id, "AZM-15", "OLD", BOTTLE, 1).status()).isEqualTo(200);
      assertThat(item(shelf(), "AZM-15").has("noBottle")).isFalse();
    }

    @Test
    void areRefusedWithTheirFaults() {
      assertThat(
              saveLot(
                      UUID.randomUUID(),
                      "LAC-30",
                      "Y",
                      "'received':'2026-10-01','expires':'2028-06-30','volumeMl':100,'leftMl':-3",
                      0)
                  .detail())
          .contains("Volume left, mL is -3.0; allowed is 0 and up");
      assertThat(saveLot(UUID.randomUUID(), "NONE-1", "Z", BOTTLE, 0).detail())
          .contains("'NONE-1' is not on the shelf");
    }

    @Test
    void theScannersCodeFillsOneIn() {
      String code = practice.post("/api/shelf/scanner/GLY-35", "{}").body().get("text").asString();
      JsonNode label = practice.post("/api/shelf/scan", "{\"text\":\"" + code + "\"}").body();
      assertThat(label.get("product").asString()).isEqualTo("GLY-35");
      assertThat(label.get("volumeMl").asDouble()).isEqualTo(100);
      assertThat(practice.post("/api/shelf/scan", "{\"text\":\"hello\"}").detail())
          .contains("it looks like (240)GLY-35");
    }
  }

  @Nested
  class Openings {

    @Test
    void areTheSupervisingCliniciansAlone() {
      assertThat(practice.put("/api/shelf/openings/RESORCINOL", "{}").status()).isEqualTo(403);
      try (Practice other = Practice.open()) {
        other.signIn("thea", "harbour");
        JsonNode opened = other.put("/api/shelf/openings/RESORCINOL", "{}").body();
        assertThat(opened.get("restricted").get(1).get("opened").get("by").asString())
            .isEqualTo("Dr Thea Lund");
        String visit = other.visit("Yara Minhas").get("id").asString();
        assertThat(other.get("/api/visits/" + visit + "/selection").body().toString())
            .doesNotContain("CLINICIAN");
        JsonNode shut = other.delete("/api/shelf/openings/RESORCINOL").body();
        assertThat(shut.get("restricted").get(1).has("opened")).isFalse();
      }
    }
  }

  @Nested
  class Tables {

    private Answer preview(String table, String csv) {
      return practice.post("/api/shelf/csv/" + table + "/preview", text(csv));
    }

    private Answer take(String table, String csv) {
      return practice.post("/api/shelf/csv/" + table, text(csv));
    }

    private String text(String csv) {
      return JSON.createObjectNode().put("text", csv).toString();
    }

    private String header() {
      return practice.text("/api/shelf/csv/PRODUCTS").lines().findFirst().orElseThrow();
    }

    private String product(String code, String percent) {
      return code
          + ",Own "
          + code
          + ",Maker,mandelic,1,,mandelic "
          + percent
          + ",2.6,gel,timed,face + hands,180,600,,,1,1,0,,very_superficial,1,3,240,,"
          + "lift_then_neutralise,7,6,8,1,2,,,,3 drops,0.1";
    }

    @Test
    void whatGoesOutComesInAsItIs() {
      String out = practice.text("/api/shelf/csv/PRODUCTS");
      assertThat(out).contains("SOFT-12,Skerrow soft gel,Two Rooms,pha,2,");
      JsonNode seen = preview("PRODUCTS", out).body();
      assertThat(seen.get("same").asInt()).isEqualTo(seen.get("rows").asInt()).isPositive();
      assertThat(seen.get("faults")).isEmpty();
      JsonNode lots = preview("LOTS", practice.text("/api/shelf/csv/LOTS")).body();
      assertThat(lots.get("same").asInt()).isEqualTo(lots.get("rows").asInt()).isPositive();
    }

    @Test
    void cellsThatASpreadsheetWouldComputeStandBehindAnApostrophe() {
      String line =
          practice
              .text("/api/shelf/csv/PRODUCTS")
              .lines()
              .filter(one -> one.startsWith("SOFT-12"))
              .findFirst()
              .orElseThrow()
              .replace("SOFT-12,Skerrow soft gel,Two Rooms", "SUM-1,=1+1,@home");
      assertThat(take("PRODUCTS", header() + "\n" + line + "\n").status()).isEqualTo(200);
      String out = practice.text("/api/shelf/csv/PRODUCTS");
      assertThat(out).contains("SUM-1,'=1+1,'@home");
      assertThat(preview("PRODUCTS", out).body().get("same"))
          .isEqualTo(preview("PRODUCTS", out).body().get("rows"));
    }

    /// Separators as spreadsheets of different countries write them, with a byte order mark and
    /// decimal commas.
    @ParameterizedTest
    @ValueSource(strings = {";", "\t", "|"})
    void takeOtherSeparators(String separator) {
      String csv =
          "\uFEFF"
              + header().replace(",", separator)
              + "\r\n"
              + product("SEP-1", "20").replace(",", separator).replace("2.6", "2,6")
              + "\r\n";
      JsonNode seen = preview("PRODUCTS", csv).body();
      assertThat(seen.get("faults")).isEmpty();
      assertThat(seen.get("fresh").asInt()).isEqualTo(1);
    }

    @Test
    void fiveThousandLinesWithThreeBadOnesWriteNothing() {
      StringBuilder csv = new StringBuilder(header()).append("\n");
      for (int i = 2; i <= 5001; i++) {
        String percent = i == 1200 ? "120" : i == 3000 ? "-4" : "20";
        String line = product("P-" + i, percent);
        if (i == 4444) line = line.replace(",2.6,", ",15,");
        csv.append(line).append("\n");
      }
      JsonNode seen = preview("PRODUCTS", csv.toString()).body();
      assertThat(seen.get("rows").asInt()).isEqualTo(5000);
      assertThat(seen.get("fresh").asInt()).isEqualTo(4997);
      JsonNode faults = seen.get("faults");
      assertThat(faults.size()).isEqualTo(3);
      assertThat(faults.get(0).get("line").asInt()).isEqualTo(1200);
      assertThat(faults.get(0).get("words").asString())
          .contains("mandelic strength, % w/v is 120.0")
          .contains("0.0 to 100.0");
      assertThat(faults.get(1).get("line").asInt()).isEqualTo(3000);
      assertThat(faults.get(2).get("line").asInt()).isEqualTo(4444);
      assertThat(faults.get(2).get("words").asString()).contains("pH is 15.0");
      int before = shelf().get("items").size();
      Answer refused = take("PRODUCTS", csv.toString());
      assertThat(refused.status()).isEqualTo(400);
      assertThat(refused.detail())
          .contains("3 of 5000 lines")
          .contains("line 1200")
          .contains("Nothing was saved");
      assertThat(shelf().get("items").size()).isEqualTo(before);
    }

    @Test
    void aGoodTableIsTakenWhole() {
      String csv = header() + "\n" + product("TAB-1", "20") + "\n" + product("TAB-2", "25") + "\n";
      assertThat(take("PRODUCTS", csv).body().get("fresh").asInt()).isEqualTo(2);
      assertThat(item(shelf(), "TAB-2").get("percentWv").asDouble()).isEqualTo(25);
      assertThat(preview("PRODUCTS", csv).body().get("same").asInt()).isEqualTo(2);
      practice.delete("/api/shelf/products/TAB-1");
      practice.delete("/api/shelf/products/TAB-2");
    }

    @Test
    void whatIsNoTableSaysSo() {
      assertThat(words(preview("PRODUCTS", ""))).contains("no column code");
      assertThat(words(preview("LOTS", "a#b#c\n1#2#3"))).contains("separators tried are comma");
      String twice = header() + "\n" + product("TW-1", "20") + "\n" + product("TW-1", "20");
      assertThat(words(preview("PRODUCTS", twice))).contains("TW-1 stands in the table twice");
      String open = header() + "\n\"" + product("OQ-1", "20") + "\n";
      assertThat(preview("PRODUCTS", open).body().get("faults")).isNotEmpty();
      String lots =
          "code,lot,received,expires,opened,months_after_opening,volume_ml,left_ml\n"
              + "GLY-20,C1,2026-31-12,2028-01-01,,12,100,100\n"
              + "GLY-20,C2,2026-12-01,2028-01-01,,12,100,-1\n"
              + "GLY-20,C3,2026-12-01,2028-01-01,,12,many,1\n";
      JsonNode faults = preview("LOTS", lots).body().get("faults");
      assertThat(faults.get(0).get("words").asString()).contains("received is '2026-31-12'");
      assertThat(faults.get(1).get("words").asString()).contains("volume left, mL is -1.0");
      assertThat(faults.get(2).get("words").asString()).contains("volume_ml is 'many'");
    }

    private String words(Answer answer) {
      return answer.body().get("faults").get(0).get("words").asString();
    }
  }

  @Nested
  class TheMeter {

    @Test
    void readsABottleOnceItIsCalibrated() {
      assertThat(practice.post("/api/bench/ph-meter/bottle", "{\"formula\":\"GLY-35\"}").detail())
          .contains("not calibrated");
      practice.post("/api/bench/ph-meter/buffer", "{\"buffer\":\"PH_7_00\"}");
      JsonNode meter =
          practice.post("/api/bench/ph-meter/buffer", "{\"buffer\":\"PH_4_01\"}").body();
      // The stand-in's electrode has 57.4 of the ideal 59.16 mV a pH.
      assertThat(meter.get("slopePercent").asDouble()).isCloseTo(97.0, within(1.0));
      JsonNode read =
          practice.post("/api/bench/ph-meter/bottle", "{\"formula\":\"GLY-35\"}").body();
      assertThat(read.get("ph").asDouble()).isCloseTo(2.5, within(0.15));
      assertThat(practice.post("/api/bench/ph-meter/bottle", "{\"formula\":\"RES-20\"}").detail())
          .contains("no water");
    }
  }
}
