package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.formula.Family;
import ivesk.core.screening.answer.PatchTest.Result;
import ivesk.server.Practice.Answer;
import ivesk.server.screening.PatchTestService;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// Consult and Screen as a browser meets them: what is kept, what is refused, and how fast.
class ConsultAndScreenTest {
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

  private static String added(String name) {
    return practice
        .post("/api/clients", "{\"name\":\"%s\",\"dateOfBirth\":\"1990-05-01\"}".formatted(name))
        .body()
        .get("id")
        .asString();
  }

  private static String visitOf(String clientId, int daysAhead) {
    Instant start = Instant.now().plus(Duration.ofDays(daysAhead)).plus(Duration.ofMinutes(5));
    return practice
        .post(
            "/api/visits",
            "{\"clientId\":\"%s\",\"startsAt\":\"%s\",\"room\":\"room 1\"}"
                .formatted(clientId, start))
        .body()
        .get("id")
        .asString();
  }

  private static JsonNode consult(String visit) {
    return practice.get("/api/visits/" + visit + "/consult").body();
  }

  /// Saves the consult with one field set.
  private static Answer save(String visit, String field, String json, int version) {
    ObjectNode consult = (ObjectNode) consult(visit).get("consult");
    consult.set(field, Practice.JSON.readTree(json));
    return practice.put(
        "/api/visits/" + visit + "/consult",
        "{\"consult\":" + consult + ",\"version\":" + version + "}");
  }

  private static JsonNode screening(String visit) {
    return practice.get("/api/visits/" + visit + "/screening").body();
  }

  private static JsonNode family(String visit, String family) {
    for (JsonNode one : screening(visit).get("consents")) {
      if (one.get("id").asString().equals(family)) return one;
    }
    throw new AssertionError(family);
  }

  private static final String DRAWN =
      "{\"strokes\":[[{\"x\":10,\"y\":20},{\"x\":90,\"y\":60},{\"x\":160,\"y\":30}]]}";

  private static Answer sign(String visit, String families, String client, String guardian) {
    return practice.post(
        "/api/visits/" + visit + "/consents",
        "{\"families\":%s,\"textVersion\":3,\"statements\":4,\"client\":%s%s}"
            .formatted(families, client, guardian.isEmpty() ? "" : ",\"guardian\":" + guardian));
  }

  @Nested
  class Clients {

    @Test
    void areFoundByAnyPartOfTheNameWhateverCaseAndAccents() {
      String id = added("Ólafur Sørensen-Łuk");
      for (String part : List.of("olafur", "SOREN", "luk", "sen%20OLA", "%C3%B3la")) {
        JsonNode found = practice.get("/api/clients?find=" + part).body().get("clients");
        assertThat(found.size()).as(part).isEqualTo(1);
        assertThat(found.get(0).get("id").asString()).isEqualTo(id);
      }
      assertThat(practice.get("/api/clients?find=%25").body().get("clients").size())
          .as("a percent sign is a letter like others")
          .isZero();
    }

    @Test
    void areChangedArchivedAndBroughtBack() {
      String id = added("Petra Vane");
      String fields =
          "{\"name\":\"Petra Vane\",\"dateOfBirth\":\"1990-05-01\",\"allergies\":\"nuts\"}";
      Answer changed =
          practice.put("/api/clients/" + id, "{\"client\":" + fields + ",\"version\":1}");
      assertThat(changed.body().get("allergies").asString()).isEqualTo("nuts");
      assertThat(changed.body().get("version").asInt()).isEqualTo(2);

      Answer stale =
          practice.put("/api/clients/" + id, "{\"client\":" + fields + ",\"version\":1}");
      assertThat(stale.status()).isEqualTo(409);
      assertThat(stale.detail()).contains("changed on another screen").contains("Nothing of yours");

      practice.put("/api/clients/" + id + "/archived", "{\"archived\":true}");
      assertThat(practice.get("/api/clients?find=petra").body().get("clients").size()).isZero();
      assertThat(practice.get("/api/clients?find=petra&archived=true").body().get("clients").size())
          .isEqualTo(1);
      practice.put("/api/clients/" + id + "/archived", "{\"archived\":false}");
      assertThat(practice.get("/api/clients?find=petra").body().get("clients").size()).isEqualTo(1);
    }

    @Test
    void bornTomorrowAndTenThousandLettersAreRefused() {
      String tomorrow = LocalDate.now().plusDays(1).toString();
      Answer born =
          practice.post(
              "/api/clients", "{\"name\":\"Nobody Yet\",\"dateOfBirth\":\"" + tomorrow + "\"}");
      assertThat(born.status()).isEqualTo(400);
      assertThat(born.detail()).contains(tomorrow).contains("within the last 120 years");
      Answer letters =
          practice.post(
              "/api/clients",
              "{\"name\":\"Nobody Yet\",\"dateOfBirth\":\"1990-01-01\",\"comfort\":\""
                  + "x".repeat(10_000)
                  + "\"}");
      assertThat(letters.status()).isEqualTo(400);
      assertThat(letters.detail())
          .isEqualTo("Comfort notes has 10000 letters; allowed are 400. Nothing was saved.");
      assertThat(practice.get("/api/clients?find=nobody").body().get("clients").size()).isZero();
    }
  }

  @Nested
  class Consults {

    @Test
    void refuseWhatCannotBeAndKeepWhatWas() {
      String visit = visitOf(added("Rita Holm"), 0);
      assertThat(save(visit, "notes", "\"likes a fan\"", 0).status()).isEqualTo(200);
      Answer letters = save(visit, "notes", "\"" + "x".repeat(10_000) + "\"", 1);
      assertThat(letters.status()).isEqualTo(400);
      assertThat(letters.detail()).startsWith("Notes has 10000 letters; allowed are 2000.");
      Answer total = save(visit, "phototypeTotal", "41", 1);
      assertThat(total.detail()).startsWith("Total is 41; allowed is 0 to 40.");
      Answer colour =
          save(
              visit,
              "armColour",
              "{\"colour\":{\"l\":140,\"a\":10,\"b\":15},\"at\":\"2026-11-25T10:00:00Z\","
                  + "\"by\":\"entered\"}",
              1);
      assertThat(colour.detail()).startsWith("L* is 140.0; allowed is 0.0 to 100.0.");
      Answer stopped =
          save(
              visit,
              "products",
              "[{\"name\":\"Night cream\",\"actives\":[\"RETINOL\"],\"since\":\"2026-11-10\","
                  + "\"lastUse\":\"2026-11-01\"}]",
              1);
      assertThat(stopped.detail()).contains("before it was started");
      Answer stale = save(visit, "notes", "\"another screen\"", 0);
      assertThat(stale.status()).isEqualTo(409);
      assertThat(consult(visit).get("consult").get("notes").asString()).isEqualTo("likes a fan");
      assertThat(consult(visit).get("version").asInt()).isEqualTo(1);
    }

    @Test
    void twoReadingsTwoClassesApartShutTheChoiceUntilSettled() {
      String visit = visitOf(added("Dina Marsh"), 0);
      save(visit, "phototypeTotal", "10", 0);
      String arm =
          "{\"colour\":{\"l\":45,\"a\":12,\"b\":18},\"at\":\"2026-11-25T10:00:00Z\","
              + "\"by\":\"entered\"}";
      JsonNode disputed = save(visit, "armColour", arm, 1).body();
      assertThat(disputed.get("dispute").asString()).contains("II by answers, V by instrument");
      assertThat(disputed.get("phototype").asString()).as("the darker rules").isEqualTo("V");
      assertThat(screening(visit).toString()).contains("V by instrument: not settled");
      save(visit, "phototypeReason", "\"tanned in October\"", 2);
      JsonNode settled = save(visit, "phototypeSet", "\"III\"", 3).body();
      assertThat(settled.get("dispute")).isNull();
      assertThat(screening(visit).toString()).doesNotContain("not settled");
    }

    @Test
    void aPositiveStingTestCountsAsSensitive() {
      String visit = visitOf(added("Sten Vik"), 0);
      save(visit, "sensitivity", "\"NORMAL\"", 0);
      String sting = "{\"startedAt\":\"%s\",\"first\":1,\"second\":2}".formatted(Instant.now());
      JsonNode view = save(visit, "sting", sting, 1).body();
      assertThat(view.get("sting").get("score").asDouble()).isEqualTo(1.5);
      assertThat(view.get("sting").get("tooSoon").asBoolean()).isTrue();
      assertThat(view.get("sensitivity").asString()).isEqualTo("SENSITIVE");
      assertThat(screening(visit).toString()).contains("sensitive skin");
    }

    @Test
    void beginForAReturningClientWithWhatLasts() {
      String client = added("Mona Fell");
      String first = visitOf(client, 0);
      save(first, "phototypeTotal", "17", 0);
      save(first, "looks", "{\"CHIN\":{\"SHINE\":2}}", 1);
      save(
          first,
          "products",
          "[{\"name\":\"Serum\",\"actives\":[\"RETINOL\"],\"lastUse\":\"%s\"}]"
              .formatted(LocalDate.now().minusDays(30)),
          2);
      String second = visitOf(client, 20);
      JsonNode view = consult(second);
      assertThat(view.get("carriedFrom").asString()).isEqualTo(LocalDate.now().toString());
      assertThat(view.get("phototype").asString()).isEqualTo("III");
      assertThat(view.get("look1").asBoolean()).as("looks are of their day").isFalse();
      assertThat(view.get("consult").get("products").get(0).get("lastUse")).isNull();
    }

    @Test
    void aColorimeterReadingIsNoisyAndSavesNothing() {
      String visit = visitOf(added("Vera Lund"), 0);
      save(visit, "phototypeTotal", "17", 0);
      List<Double> ls = new ArrayList<>();
      for (int i = 0; i < 12; i++) {
        JsonNode read = practice.post("/api/skin/colorimeter/" + visit + "/ARM", "").body();
        ls.add(read.get("l").asDouble());
        assertThat(read.get("label").asString()).isIn("light", "intermediate", "tan");
      }
      assertThat(Set.copyOf(ls).size()).isGreaterThan(1);
      assertThat(ls).allSatisfy(l -> assertThat(l).isBetween(ls.getFirst() - 4, ls.getFirst() + 4));
      assertThat(consult(visit).get("consult").get("armColour")).isNull();
    }
  }

  @Nested
  class Answers {

    @Test
    void thatLastAreKeptAndThatChangeAreAskedAgain() {
      String client = added("Tove Berg");
      String first = visitOf(client, 0);
      String path = "/api/visits/" + first + "/screening";
      practice.put(path + "/LATEX_ALLERGY", "{\"choice\":\"yes\"}");
      practice.put(
          path + "/HAIR",
          "{\"choice\":\"done\",\"on\":\"%s\"}".formatted(LocalDate.now().minusDays(20)));
      practice.put(
          path + "/groups",
          """
          {"groups":["BODY_NOW","MEDICINES","DONE_LATELY","HISTORY","COMFORT"],
           "rest":"NONE_APPLIES"}
          """);
      JsonNode asked = screening(first);
      assertThat(asked.get("outcome").get("unasked").asInt())
          .as("phototype and sensitivity are the consult's")
          .isEqualTo(2);

      String second = visitOf(client, 30);
      JsonNode again = screening(second);
      JsonNode latex = question(again, "LATEX_ALLERGY");
      assertThat(latex.get("answered").asBoolean()).isTrue();
      assertThat(latex.at("/told/by").asString()).isEqualTo("Ines Kov");
      JsonNode hair = question(again, "HAIR");
      assertThat(hair.get("answered").asBoolean()).isFalse();
      assertThat(hair.get("lastTime").asString()).startsWith("done, ");

      practice.put(
          "/api/visits/" + second + "/screening/groups",
          "{\"groups\":[\"DONE_LATELY\"],\"rest\":\"AS_LAST_TIME\"}");
      JsonNode same = question(screening(second), "HAIR");
      assertThat(same.get("choice").asString()).isEqualTo("done");
      assertThat(same.get("on").asString()).isEqualTo(LocalDate.now().minusDays(20).toString());
    }

    @Test
    void aWaxNextWeekIsRefusedAndTheAnswerBeforeItKept() {
      String visit = visitOf(added("Wanda Ox"), 0);
      String path = "/api/visits/" + visit + "/screening/HAIR";
      practice.put(path, "{\"choice\":\"none\"}");
      Answer refused =
          practice.put(
              path, "{\"choice\":\"done\",\"on\":\"%s\"}".formatted(LocalDate.now().plusDays(7)));
      assertThat(refused.status()).isEqualTo(400);
      assertThat(refused.detail()).contains("must not lie after").contains("is kept");
      assertThat(question(screening(visit), "HAIR").get("choice").asString()).isEqualTo("none");
    }

    private JsonNode question(JsonNode screening, String id) {
      for (JsonNode one : screening.get("questions")) {
        if (one.get("id").asString().equals(id)) return one;
      }
      throw new AssertionError(id);
    }
  }

  @Nested
  class Consents {

    @Test
    void areSignedWithAPictureAndWithdrawn() {
      String visit = visitOf(added("Una Brook"), 0);
      Answer signed =
          sign(
              visit,
              "[\"LACTIC\",\"MANDELIC\"]",
              "{\"name\":\"Una Brook\",\"drawn\":" + DRAWN + "}",
              "");
      assertThat(signed.status()).isEqualTo(204);
      JsonNode lactic = family(visit, "LACTIC");
      assertThat(lactic.get("signed").asBoolean()).isTrue();
      String consent = "/api/consents/" + lactic.get("consentId").asString();
      JsonNode read = practice.get(consent).body();
      assertThat(read.get("textVersion").asInt()).isEqualTo(3);
      assertThat(read.get("validUntil").asString())
          .isEqualTo(LocalDate.now().plusMonths(12).toString());
      assertThat(practice.get("/api/signatures/" + read.get("picture").asString()).contentType())
          .isEqualTo("image/png");
      assertThat(family(visit, "TCA").get("signed").asBoolean()).isFalse();

      String path = consent + "/withdrawal";
      assertThat(practice.post(path, "{\"why\":\"moved away\"}").status()).isEqualTo(204);
      assertThat(family(visit, "LACTIC").get("signed").asBoolean()).isFalse();
      assertThat(family(visit, "LACTIC").get("withdrawn").asBoolean()).isTrue();
      assertThat(practice.get(consent).body().get("withdrawnOn").asString())
          .isEqualTo(LocalDate.now().toString());
      assertThat(family(visit, "MANDELIC").get("signed").asBoolean()).isTrue();
      assertThat(screening(visit).toString()).contains("consent withdrawn");
      assertThat(practice.post(path, "{\"why\":\"\"}").status()).as("only once").isEqualTo(422);
      assertThat(practice.get("/api/audit/" + lactic.get("consentId").asString()).body().toString())
          .contains("withdraw consent");
    }

    @Test
    void needAllStatementsARealSignatureAndTheTextThatWasRead() {
      String visit = visitOf(added("Ida Crane"), 0);
      String path = "/api/visits/" + visit + "/consents";
      String rest = "\"client\":{\"name\":\"Ida Crane\"}}";
      assertThat(
              practice
                  .post(
                      path, "{\"families\":[\"LACTIC\"],\"textVersion\":3,\"statements\":3," + rest)
                  .detail())
          .startsWith("Each of the statements");
      assertThat(
              practice
                  .post(
                      path, "{\"families\":[\"LACTIC\"],\"textVersion\":7,\"statements\":4," + rest)
                  .detail())
          .contains("has changed since it was read");
      String dot = "{\"name\":\"Ida\",\"drawn\":{\"strokes\":[[{\"x\":1,\"y\":1}]]}}";
      assertThat(sign(visit, "[\"LACTIC\"]", dot, "").detail()).contains("only a dot");
      assertThat(family(visit, "LACTIC").get("consentId")).isNull();
    }

    @Test
    void ofAMinorNeedTheGuardian() {
      String client =
          practice
              .post(
                  "/api/clients",
                  "{\"name\":\"Nils Young\",\"dateOfBirth\":\"%s\"}"
                      .formatted(LocalDate.now().minusYears(16)))
              .body()
              .get("id")
              .asString();
      String visit = visitOf(client, 0);
      assertThat(sign(visit, "[\"LACTIC\"]", "{\"name\":\"Nils Young\"}", "").detail())
          .contains("guardian");
      assertThat(
              sign(
                      visit,
                      "[\"LACTIC\"]",
                      "{\"name\":\"Nils Young\"}",
                      "{\"name\":\"Berit Young\",\"drawn\":" + DRAWN + "}")
                  .status())
          .isEqualTo(204);
      assertThat(family(visit, "LACTIC").get("signed").asBoolean()).isTrue();
    }
  }

  @Nested
  class PatchTests {

    @Test
    void arePlacedReadAndDueOnToday() {
      String client = added("Pia Gull");
      String visit = visitOf(client, 0);
      PatchTestService service = practice.bean(PatchTestService.class);
      Instant placed = Instant.now().minus(Duration.ofHours(23));
      service.place(UUID.fromString(visit), Set.of(Family.GLYCOLIC), "left arm", placed, "ines");
      UUID id = service.waiting(UUID.fromString(client)).getFirst();
      assertThat(service.due(Instant.now().plus(Duration.ofHours(2))))
          .anySatisfy(due -> {
            assertThat(due.clientName()).isEqualTo("Pia Gull");
            assertThat(due.overdue()).isFalse();
          });
      Answer early = practice.post("/api/patch-tests/" + id + "/reads", "{\"result\":\"NOTHING\"}");
      assertThat(early.status()).isEqualTo(422);
      assertThat(early.detail()).contains("24 hours are not over");
      assertThat(screening(visit).toString()).contains("patch test placed, not yet read: glycolic");

      service.read(id, Result.NOTHING, placed.plus(Duration.ofHours(25)), "ines");
      assertThat(screening(visit).toString()).doesNotContain("not yet read: glycolic");
      assertThat(
              practice
                  .post("/api/patch-tests/" + id + "/reads", "{\"result\":\"REACTION\"}")
                  .status())
          .isEqualTo(204);
      assertThat(screening(visit).get("outcome").get("limits").toString()).contains("no glycolic");
    }
  }

  @Nested
  class Policies {

    @Test
    void changeARuleAndOnlyTheClinicianSetsThem() {
      String visit = practice.visit("Linnea Strand").get("id").asString();
      String path = "/api/practice/policies/PREGNANCY";
      assertThat(practice.put(path, "{\"answer\":\"other\"}").status()).isEqualTo(403);
      practice.signIn("thea", "harbour");
      assertThat(practice.put(path, "{\"answer\":\"whatever\"}").detail()).contains("allowed is");
      practice.put(path, "{\"answer\":\"other\"}");
      assertThat(screening(visit).get("outcome").get("verdict").asString()).isEqualTo("REFER");
      practice.put(path, "{\"answer\":\"usual\"}");
      assertThat(screening(visit).get("outcome").get("verdict").asString()).isEqualTo("STOP");
      practice.signIn("ines", "harbour");
    }

    @Test
    void kindsOfProductsAreEdited() {
      String id = UUID.randomUUID().toString();
      String path = "/api/product-kinds/" + id;
      assertThat(
              practice
                  .put(path, "{\"name\":\"Peel pads\",\"actives\":[\"ACID\"]}")
                  .body()
                  .toString())
          .contains("Peel pads");
      assertThat(
              practice
                  .put(
                      "/api/product-kinds/" + UUID.randomUUID(),
                      "{\"name\":\"Peel pads\",\"actives\":[]}")
                  .detail())
          .contains("already");
      assertThat(practice.delete(path).status()).isEqualTo(204);
      assertThat(practice.get("/api/product-kinds").body().toString()).doesNotContain("Peel pads");
    }
  }

  @Nested
  class WithoutSaving {

    @Test
    void theSkinsArithmeticAnswers() {
      assertThat(practice.post("/api/skin/phototype", "{\"total\":41}").detail())
          .isEqualTo("Total is 41; allowed is 0 to 40. Nothing was saved.");
      assertThat(
              practice.post("/api/skin/phototype", "{\"total\":21}").body().get("type").asString())
          .isEqualTo("IV");
      JsonNode ita = practice.post("/api/skin/ita", "{\"l\":60,\"a\":10,\"b\":18}").body();
      assertThat(ita.get("label").asString()).isEqualTo("intermediate");
      assertThat(practice.post("/api/skin/ita", "{\"l\":140,\"a\":10,\"b\":18}").detail())
          .contains("L* is 140.0");
      JsonNode area =
          practice
              .post("/api/skin/area", "{\"heightCm\":170,\"weightKg\":65,\"ageYears\":40}")
              .body();
      assertThat(area.get("bodySurfaceM2").asDouble()).isBetween(1.751, 1.753);
    }

    @Test
    void screeningTakesFactsAndADayAndSavesNothing() {
      String facts =
          """
          {"dateOfBirth":"1988-04-02","peelDate":"2026-11-25",
           "answers":{"HAIR":{"choice":"done","on":"2026-11-%s"}},
           "skin":{"phototype":"II","oil":"OILY","sensitivity":"NORMAL","severities":{},"goals":[]}}\
          """;
      JsonNode waxed = practice.post("/api/screening", facts.formatted("20")).body();
      assertThat(waxed.get("findings").valueStream().filter(f -> f.get("unasked").asBoolean()))
          .as("whole: each missing answer is a finding")
          .hasSize(waxed.get("unasked").asInt())
          .hasSizeGreaterThan(40);
      assertThat(waxed.get("until").asString()).isEqualTo("2026-11-27");
      JsonNode earlier = practice.post("/api/screening", facts.formatted("10")).body();
      assertThat(earlier.get("until")).isNull();
      Answer later = practice.post("/api/screening", facts.formatted("30"));
      assertThat(later.status()).isEqualTo(400);
      assertThat(later.detail()).contains("must not lie after 2026-11-25");
    }
  }
}
