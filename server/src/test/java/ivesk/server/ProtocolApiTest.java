package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// Products and protocols over HTTP: by version, as tables and files, judged.
class ProtocolApiTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final String LAYERED = "5d8f7c10-0000-4000-8000-000000000001";
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

  private static ObjectNode sheet(String id) {
    return (ObjectNode) practice.get("/api/protocols/" + id).body().get("sheet").deepCopy();
  }

  private static Answer keep(UUID id, ObjectNode sheet, int over) {
    ObjectNode body = JSON.createObjectNode();
    body.set("sheet", sheet);
    body.put("over", over);
    return practice.put("/api/protocols/" + id, body.toString());
  }

  private static Answer judge(ObjectNode sheet) {
    ObjectNode body = JSON.createObjectNode();
    ObjectNode run = JSON.createObjectNode();
    run.set("region", sheet.get("region"));
    run.set("steps", sheet.get("steps"));
    body.putArray("runs").add(run);
    return practice.post("/api/scripts/judgement", body.toString());
  }

  private static List<String> rules(JsonNode judged) {
    List<String> rules = new ArrayList<>();
    judged.get("objections").forEach(o -> rules.add(o.get("rule").asString()));
    return rules;
  }

  @Nested
  class Protocols {

    @Test
    void threeComeWithTheDemoAndOneObjects() {
      JsonNode all = practice.get("/api/protocols").body();
      List<String> names = new ArrayList<>();
      all.forEach(one -> names.add(one.get("name").asString()));
      assertThat(names)
          .contains(
              "Layered acid with booster and mask", "Enzyme sandwich", "Back with extraction");
      assertThat(rules(judge(sheet(LAYERED)).body())).containsExactly("PRO-ACID", "PRO-HEAT");
      assertThat(rules(judge(sheet("5d8f7c10-0000-4000-8000-000000000002")).body())).isEmpty();
      assertThat(
              judge(sheet("5d8f7c10-0000-4000-8000-000000000003"))
                  .body()
                  .get("mayBeKept")
                  .asBoolean())
          .isFalse();
    }

    @Test
    void aVersionStaysWhenAnotherIsKept() {
      UUID id = UUID.randomUUID();
      ObjectNode sheet = sheet(LAYERED);
      sheet.put("name", "By version");
      assertThat(keep(id, sheet, 0).status()).isEqualTo(200);
      ((ArrayNode) sheet.get("steps")).remove(0);
      Answer second = keep(id, sheet, 1);
      assertThat(second.body().get("version").asInt()).isEqualTo(2);
      JsonNode first = practice.get("/api/protocols/" + id + "/versions/1").body();
      assertThat(first.get("sheet").get("steps")).hasSize(15);
      assertThat(second.body().get("sheet").get("steps")).hasSize(14);
    }

    /// Two people who began from the same version: the second is told, and keeps what was typed.
    @Test
    void whoComesSecondIsTold() {
      UUID id = UUID.randomUUID();
      ObjectNode sheet = sheet(LAYERED);
      sheet.put("name", "Two people");
      keep(id, sheet, 0);
      assertThat(keep(id, sheet, 1).status()).isEqualTo(200);
      Answer late = keep(id, sheet, 1);
      assertThat(late.status()).isEqualTo(409);
      assertThat(practice.get("/api/protocols/" + id).body().get("version").asInt()).isEqualTo(2);
    }

    @Test
    void aNameIsGivenOnce() {
      ObjectNode sheet = sheet(LAYERED);
      Answer again = keep(UUID.randomUUID(), sheet, 0);
      assertThat(again.status()).isEqualTo(400);
      assertThat(again.body().toString()).contains("another protocol has it");
    }

    @Test
    void aRetiredOneIsOutOfTheListAndStays() {
      UUID id = UUID.randomUUID();
      ObjectNode sheet = sheet(LAYERED);
      sheet.put("name", "Retired");
      keep(id, sheet, 0);
      assertThat(practice.delete("/api/protocols/" + id).body().toString())
          .doesNotContain("Retired");
      assertThat(practice.get("/api/protocols/" + id + "/versions/1").status()).isEqualTo(200);
    }

    @Test
    void outAsAFileAndInAgain() {
      String file = practice.text("/api/protocols/" + LAYERED + "/file");
      ObjectNode text = JSON.createObjectNode().put("text", file);
      Answer read = practice.post("/api/protocols/reading", text.toString());
      assertThat(read.body()).isEqualTo(sheet(LAYERED));
    }
  }

  @Nested
  class BadSheets {

    private Answer with(String field, Object value) {
      ObjectNode sheet = sheet(LAYERED);
      sheet.put("name", "Bad " + UUID.randomUUID());
      ObjectNode step = (ObjectNode) sheet.get("steps").get(4);
      step.putPOJO(field, value);
      return keep(UUID.randomUUID(), sheet, 0);
    }

    @Test
    void aStepOfNoTimeOrTooLong() {
      assertThat(with("plannedSeconds", 0).body().toString())
          .contains("line 5: planned time is 0 s; allowed is 1 s to 3 h");
      assertThat(with("plannedSeconds", 10_801).status()).isEqualTo(400);
      assertThat(with("plannedSeconds", 10_800).status()).isEqualTo(200);
    }

    @Test
    void aStepAboutNothingOrTwoThings() {
      assertThat(with("act", "DRY").body().toString()).contains("names 2 of peel, product and act");
    }

    @Test
    void threeHundredSteps() {
      ObjectNode sheet = sheet(LAYERED);
      sheet.put("name", "Endless");
      ArrayNode steps = (ArrayNode) sheet.get("steps");
      JsonNode one = steps.get(0);
      for (int i = 0; i < 300; i++) steps.add(((ObjectNode) one.deepCopy()).put("id", "x" + i));
      Answer answer = keep(UUID.randomUUID(), sheet, 0);
      assertThat(answer.status()).isEqualTo(400);
      assertThat(answer.body().toString()).contains("number of steps is 315; allowed is 1 to 200");
    }

    @Test
    void aFileOfAnotherVersionOrKind() {
      for (String text :
          List.of(
              "{\"format\":\"ivesk-protocol\",\"version\":9}",
              "{\"format\":\"something\"}",
              "[]",
              "no json {",
              "{\"format\":\"ivesk-protocol\",\"version\":1,\"name\":\"x\"}")) {
        Answer answer =
            practice.post(
                "/api/protocols/reading", JSON.createObjectNode().put("text", text).toString());
        assertThat(answer.status()).as(text).isEqualTo(400);
        assertThat(answer.body().toString()).contains("Nothing was read");
      }
    }
  }

  @Nested
  class Products {

    private ObjectNode label(String like, String code) {
      for (JsonNode one : practice.get("/api/products").body().get("products")) {
        if (one.get("label").get("code").asString().equals(like)) {
          ObjectNode label = (ObjectNode) one.get("label").deepCopy();
          return label.put("code", code).put("name", "Own " + code);
        }
      }
      throw new AssertionError(like);
    }

    private Answer save(ObjectNode label, int over) {
      ObjectNode body = JSON.createObjectNode();
      body.set("label", label);
      body.put("over", over);
      return practice.put("/api/products", body.toString());
    }

    private JsonNode product(String code) {
      for (JsonNode one : practice.get("/api/products").body().get("products")) {
        if (one.get("label").get("code").asString().equals(code)) return one;
      }
      return JSON.missingNode();
    }

    @Test
    void oneOfEachRoleShips() {
      JsonNode products = practice.get("/api/products").body().get("products");
      assertThat(products.size()).isGreaterThanOrEqualTo(17);
      assertThat(product("ACID-WASH").get("acidStep").asBoolean()).isTrue();
      assertThat(product("CLEANSER").get("acidStep").asBoolean()).isFalse();
    }

    @Test
    void anOwnOneByVersion() {
      assertThat(save(label("SERUM", "OWN-1"), 0).status()).isEqualTo(200);
      assertThat(save(label("SERUM", "OWN-1"), 0).status()).isEqualTo(409);
      assertThat(save(label("SERUM", "OWN-1").put("fragrance", true), 1).status()).isEqualTo(200);
      assertThat(product("OWN-1").get("version").asInt()).isEqualTo(2);
      practice.delete("/api/products/OWN-1");
      assertThat(product("OWN-1").isMissingNode()).isTrue();
    }

    @Test
    void withoutARoleItIsRefused() {
      ObjectNode label = label("SERUM", "OWN-2");
      label.remove("role");
      Answer answer = save(label, 0);
      assertThat(answer.status()).isEqualTo(400);
      assertThat(answer.body().toString()).contains("role");
    }

    @Test
    void packsAreCounted() {
      String pack =
          "{\"code\":\"CREAM\",\"number\":\"P1\",\"expires\":\"2028-01-01\",\"units\":60,\"left\":60,\"over\":0}";
      UUID id = UUID.randomUUID();
      assertThat(practice.put("/api/products/packs/" + id, pack).status()).isEqualTo(200);
      Answer twice = practice.put("/api/products/packs/" + UUID.randomUUID(), pack);
      assertThat(twice.body().toString()).contains("is on the shelf already");
      assertThat(product("CREAM").get("packs")).hasSize(1);
    }

    /// Every field out as a table and in again.
    @Test
    void aTableLosesNothing() {
      save(label("MASK-SET", "OWN-3"), 0);
      save(label("ARGI-WIPE", "OWN-4"), 0);
      String table = practice.text("/api/products/csv/PRODUCTS");
      ObjectNode text = JSON.createObjectNode().put("text", table);
      JsonNode preview =
          practice.post("/api/products/csv/PRODUCTS/preview", text.toString()).body();
      assertThat(preview.get("faults")).isEmpty();
      assertThat(preview.get("same").asInt()).isEqualTo(preview.get("rows").asInt());
      JsonNode before = product("OWN-3").get("label");
      practice.delete("/api/products/OWN-3");
      practice.delete("/api/products/OWN-4");
      assertThat(practice.post("/api/products/csv/PRODUCTS", text.toString()).status())
          .isEqualTo(200);
      assertThat(product("OWN-3").get("label")).isEqualTo(before);
    }

    /// Packs go out and come in as bottles do.
    @Test
    void packsAreATableToo() {
      String fresh =
          "code;lot;expires;opened;months_after_opening;units;left\n"
              + "CREAM;P-77;2028-01-31;;6;40;40\n"
              + "SERUM;P-78;2027-06-30;2026-11-01;12;200;12,5\n";
      ObjectNode text = JSON.createObjectNode().put("text", fresh);
      JsonNode preview = practice.post("/api/products/csv/PACKS/preview", text.toString()).body();
      assertThat(preview.get("fresh").asInt()).isEqualTo(2);
      assertThat(practice.text("/api/products/csv/PACKS")).doesNotContain("P-77");
      assertThat(practice.post("/api/products/csv/PACKS", text.toString()).status()).isEqualTo(200);
      String table = practice.text("/api/products/csv/PACKS");
      assertThat(table).contains("SERUM,P-78,2027-06-30,2026-11-01,12,200,12.5");
      ObjectNode again = JSON.createObjectNode().put("text", table);
      JsonNode same = practice.post("/api/products/csv/PACKS/preview", again.toString()).body();
      assertThat(same.get("same").asInt()).isEqualTo(same.get("rows").asInt());
      ObjectNode wrong =
          JSON.createObjectNode()
              .put("text", fresh.replace("P-77", "P-79").replace("SERUM", "NO-SUCH"));
      Answer refused = practice.post("/api/products/csv/PACKS", wrong.toString());
      assertThat(refused.status()).isEqualTo(400);
      assertThat(practice.text("/api/products/csv/PACKS")).doesNotContain("P-79");
    }

    @Test
    void aTableWithAFaultIsNotTaken() {
      String table = practice.text("/api/products/csv/PRODUCTS");
      String head = table.lines().findFirst().orElseThrow();
      String line = "OWN-9,Own nine,,nonsense" + ",".repeat(head.split(",").length - 4);
      ObjectNode text = JSON.createObjectNode().put("text", head + "\n" + line + "\n");
      Answer answer = practice.post("/api/products/csv/PRODUCTS", text.toString());
      assertThat(answer.status()).isEqualTo(400);
      assertThat(answer.body().toString()).contains("role is 'nonsense'");
    }

    /// A product that went while a protocol names it: the line says so, and nothing breaks.
    @Test
    void oneThatWentIsSaidOnItsLine() {
      save(label("SERUM", "OWN-5"), 0);
      ObjectNode sheet = sheet(LAYERED);
      sheet.put("name", "With a product that goes");
      ((ObjectNode) sheet.get("steps").get(11)).put("product", "OWN-5");
      UUID id = UUID.randomUUID();
      keep(id, sheet, 0);
      practice.delete("/api/products/OWN-5");
      assertThat(rules(judge(sheet(id.toString())).body())).contains("PRO-GONE");
      assertThat(practice.get("/api/protocols").status()).isEqualTo(200);
      practice.delete("/api/protocols/" + id);
    }
  }

  @Test
  void theWordsOfAScriptNameEveryRule() {
    JsonNode words = practice.get("/api/words/script").body();
    assertThat(words.get("rules")).hasSize(25);
    assertThat(words.get("whats").size()).isGreaterThan(60);
    assertThat(Collections.frequency(rules(judge(sheet(LAYERED)).body()), "PRO-HEAT")).isOne();
  }
}
