package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.record.Replay;
import ivesk.server.Practice.Answer;
import ivesk.server.treatment.Live;
import ivesk.server.treatment.Treatments;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/// The application as a browser meets it, on a database of its own.
class PracticeTest {
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

  private static String visitId(String client) {
    return practice.visit(client).get("id").asString();
  }

  @Nested
  class Accounts {

    @Test
    void everythingButTheSignInNeedsOne() {
      for (String path :
          List.of("/api/today", "/api/clients", "/api/openapi", "/api/words/consult")) {
        Answer answer = practice.asStranger(path);
        assertThat(answer.status()).as(path).isEqualTo(401);
        assertThat(answer.detail()).isEqualTo("Please sign in.");
      }
    }

    @Test
    void aWrongPasswordIsSaidPlainly() {
      Answer answer = practice.trySignIn("ines", "harbor");
      assertThat(answer.status()).isEqualTo(401);
      assertThat(answer.detail()).isEqualTo("Name and password do not belong together.");
      practice.signIn("ines", "harbour");
    }

    @Test
    void aWriteWithoutTheTokenIsRefused() {
      assertThat(practice.forged("/api/clients").status()).isEqualTo(403);
    }

    @Test
    void knowsTwoTherapistsAndAClinician() {
      practice.signIn("thea", "harbour");
      JsonNode account = practice.get("/api/session").body().get("account");
      assertThat(account.get("role").asString()).isEqualTo("SUPERVISOR");
      practice.signIn("rolf", "harbour");
      assertThat(practice.get("/api/session").body().get("account").get("name").asString())
          .isEqualTo("Rolf Arnesen");
      practice.signIn("ines", "harbour");
    }
  }

  @Nested
  class TheDemo {

    @Test
    void holdsTwelveClientsOfEveryKind() {
      assertThat(practice.get("/api/clients").body().get("total").asInt()).isEqualTo(14);
      assertThat(practice.visit("Linnea Strand").at("/screened/verdict").asString())
          .isEqualTo("STOP");
      assertThat(
              practice
                  .get("/api/visits/" + visitId("Casper Wynd") + "/screening")
                  .body()
                  .get("outcome")
                  .get("findings")
                  .get(0)
                  .get("verdict")
                  .asString())
          .isEqualTo("REFER");
      assertThat(practice.visit("Bruno Castelmar").at("/screened/verdict").asString())
          .isEqualTo("WAIT");
      assertThat(practice.visit("Maren Holt").get("formula").asString()).isEqualTo("GLY-35");
      assertThat(practice.visit("Maren Holt").at("/screened/pastPeels").asInt()).isEqualTo(7);
    }

    @Test
    void onePeelIsRunningInTheOtherRoom() {
      JsonNode running = practice.visit("Jonas Arkwright").get("running");
      assertThat(running.get("phase").asString()).isEqualTo("ACID");
      Instant first = Instant.parse(running.get("elapsed").asString());
      assertThat(first).isBefore(Instant.now().minusSeconds(130));
    }

    @Test
    void pastVisitsAreEventsOfTheRealEngine() {
      String visit = practice.visit("Greta Sollund").get("treatmentId").asString();
      Live live = practice.bean(Treatments.class).live(UUID.fromString(visit));
      assertThat(live.events()).hasSizeGreaterThan(25);
      assertThat(Replay.state(live.events())).isEqualTo(live.state());
    }
  }

  @Nested
  class BadInput {

    @Test
    void bornTomorrow() {
      Answer answer =
          practice.post("/api/clients", "{\"name\":\"Una Vell\",\"dateOfBirth\":\"2999-01-01\"}");
      assertThat(answer.status()).isEqualTo(400);
      assertThat(answer.contentType()).startsWith("application/problem+json");
      assertThat(answer.detail())
          .contains("Date of birth is 2999-01-01")
          .contains("Nothing was saved");
    }

    @Test
    void anEmptyNameAndAnUnknownField() {
      assertThat(
              practice
                  .post("/api/clients", "{\"name\":\" \",\"dateOfBirth\":\"1990-01-01\"}")
                  .detail())
          .contains("Name is empty");
      assertThat(
              practice
                  .post(
                      "/api/clients",
                      "{\"name\":\"Una\",\"dateOfBirth\":\"1990-01-01\",\"shoe\":3}")
                  .status())
          .isEqualTo(400);
      assertThat(practice.get("/api/clients").body().get("total").asInt()).isEqualTo(14);
    }

    @Test
    void aWaxNextWeekAndAnUnknownQuestion() {
      String path = "/api/visits/" + visitId("Tobiah Quill") + "/screening/";
      Answer answer = practice.put(path + "HAIR", "{\"choice\":\"done\",\"on\":\"2999-01-01\"}");
      assertThat(answer.status()).isEqualTo(400);
      assertThat(answer.detail()).contains("must not lie after");
      assertThat(practice.put(path + "SHOES", "{\"choice\":\"no\"}").status()).isEqualTo(400);
    }

    @Test
    void aPhototypeScoreOfFive() {
      Answer answer =
          practice.put(
              "/api/visits/" + visitId("Adaeze Orland") + "/consult",
              "{\"version\":0,\"consult\":{\"phototypeScores\":{\"tan\":5},\"conditions\":{},"
                  + "\"goals\":[],\"looks\":{},\"lamp\":{},\"events\":[],\"products\":[],"
                  + "\"region\":\"FACE\",\"areas\":{},\"notes\":\"\"}}");
      assertThat(answer.status()).isEqualTo(400);
      assertThat(answer.detail()).contains("tan").contains("0 to 4");
    }

    @Test
    void whatIsNotThere() {
      assertThat(practice.get("/api/visits/" + UUID.randomUUID()).status()).isEqualTo(404);
      assertThat(practice.get("/api/visits/17").status()).isEqualTo(400);
    }

    @Test
    void aVisitLastYear() {
      JsonNode client = practice.get("/api/clients").body().get("clients").get(0);
      Answer answer =
          practice.post(
              "/api/visits",
              "{\"clientId\":\"%s\",\"startsAt\":\"2001-01-01T10:00:00Z\",\"room\":\"room 1\"}"
                  .formatted(client.get("id").asString()));
      assertThat(answer.status()).isEqualTo(400);
      assertThat(answer.detail()).contains("2001-01-01");
    }
  }

  @Nested
  class Consults {

    @Test
    void aStaleEditWritesNothing() {
      String path = "/api/visits/" + visitId("Rosalind Peake") + "/consult";
      JsonNode before = practice.get(path).body();
      String change =
          "{\"version\":%d,\"consult\":%s}"
              .formatted(before.get("version").asInt(), before.get("consult").toString());
      assertThat(practice.put(path, change).status()).isEqualTo(200);
      Answer stale = practice.put(path, change);
      assertThat(stale.status()).isEqualTo(409);
      assertThat(stale.detail()).contains("changed on another screen");
      assertThat(practice.get(path).body().get("version").asInt())
          .isEqualTo(before.get("version").asInt() + 1);
    }

    @Test
    void theDarkerOfTwoReadingsRules() {
      String path = "/api/visits/" + visitId("Rosalind Peake") + "/consult";
      JsonNode saved = practice.get(path).body();
      String consult =
          saved
              .get("consult")
              .toString()
              .replaceFirst(
                  "\\{", "{\"phototypeSet\":\"IV\",\"phototypeReason\":\"tans at once\",");
      Answer answer =
          practice.put(
              path,
              "{\"version\":%d,\"consult\":%s}".formatted(saved.get("version").asInt(), consult));
      assertThat(answer.body().get("typeByTotal").asString()).isEqualTo("I");
      assertThat(answer.body().get("phototype").asString()).isEqualTo("IV");
    }
  }

  @Nested
  class Screens {

    @Test
    void theVerdictRebuildsAtEveryAnswer() {
      String path = "/api/visits/" + visitId("Tobiah Quill") + "/screening";
      assertThat(practice.get(path).body().get("outcome").get("verdict").asString())
          .isEqualTo("WAIT");
      practice.put(path + "/SUN", "{\"choice\":\"no\"}");
      JsonNode adapt =
          practice.put(path + "/RETINOID", "{\"choice\":\"none\"}").body().get("outcome");
      assertThat(adapt.get("unasked").asInt()).isZero();
      assertThat(adapt.get("verdict").asString())
          .as("the patch tests are not read: nothing is open, so it is no ADAPT")
          .isEqualTo("WAIT");
      assertThat(adapt.get("limits").toString()).contains("at most very superficial");
      JsonNode again = practice.put(path + "/SUN", "{}").body().get("outcome");
      assertThat(again.get("verdict").asString()).isEqualTo("WAIT");
      assertThat(again.get("unasked").asInt()).isEqualTo(1);
    }

    @Test
    void aClearanceNeedsTheCliniciansOwnSignIn() {
      String visit = "/api/visits/" + visitId("Casper Wynd");
      JsonNode refer =
          practice.get(visit + "/screening").body().get("outcome").get("findings").get(0);
      String finding = refer.get("id").asString();
      assertThat(
              practice
                  .post(
                      visit + "/overrides",
                      "{\"finding\":\"%s\",\"reason\":\"fine\"}".formatted(finding))
                  .status())
          .isEqualTo(422);
      for (String notHers :
          List.of(
              "{\"finding\":\"%s\"}",
              "{\"finding\":\"%s\",\"clinician\":{\"username\":\"thea\",\"word\":\"tea\"}}",
              "{\"finding\":\"%s\",\"clinician\":{\"username\":\"ines\",\"word\":\"harbour\"}}")) {
        Answer refused = practice.post(visit + "/clearances", notHers.formatted(finding));
        assertThat(refused.status()).as(notHers).isEqualTo(400);
        assertThat(refused.detail()).contains("supervising clinician's own sign-in");
      }
      JsonNode cleared =
          practice
              .post(
                  visit + "/clearances",
                  "{\"finding\":\"%s\",\"clinician\":{\"username\":\"thea\",\"word\":\"harbour\"}}"
                      .formatted(finding))
              .body()
              .get("outcome");
      assertThat(cleared.get("verdict").asString())
          .as("by the clinician's word")
          .isEqualTo("ADAPT");
      assertThat(cleared.get("findings").toString()).contains("cleared by Dr Thea Lund");
    }

    @Test
    void aStopCannotBeLifted() {
      String visit = "/api/visits/" + visitId("Linnea Strand");
      JsonNode stop =
          practice.get(visit + "/screening").body().get("outcome").get("findings").get(0);
      assertThat(stop.get("verdict").asString()).isEqualTo("STOP");
      Answer answer =
          practice.post(
              visit + "/overrides",
              "{\"finding\":\"%s\",\"reason\":\"please\"}".formatted(stop.get("id").asString()));
      assertThat(answer.status()).isEqualTo(422);
      assertThat(answer.detail()).contains("cannot be lifted this way");
      assertThat(practice.post(visit + "/treatment", "").status()).isEqualTo(422);
    }
  }

  @Nested
  class Choosing {

    @Test
    void aShutFormulaIsRefusedAndAnotherThanTheFirstNeedsAReason() {
      String visit = "/api/visits/" + visitId("Ishani Velloor");
      Answer shut = practice.put(visit + "/choice", "{\"formula\":\"GLY-70\",\"reason\":\"x\"}");
      assertThat(shut.status()).isEqualTo(422);
      assertThat(shut.detail()).contains("GLY-70 is shut");
      Answer bare = practice.put(visit + "/choice", "{\"formula\":\"GLY-20\"}");
      assertThat(bare.status()).isEqualTo(400);
      assertThat(bare.detail()).contains("MAN-20 is advised");
      assertThat(
              practice
                  .put(visit + "/choice", "{\"formula\":\"GLY-20\",\"reason\":\"gel runs less\"}")
                  .status())
          .isEqualTo(200);
      practice.put(visit + "/choice", "{\"formula\":\"MAN-20\"}");
    }

    /// What is written in the steps reaches the plan of the couch.
    @Test
    void aZoneIsPlannedToComeOffSooner() {
      String visit = "/api/visits/" + visitId("Ishani Velloor");
      JsonNode plan = practice.get(visit + "/plan").body();
      ObjectNode body =
          JSON.createObjectNode().put("over", plan.get("version").asInt()).put("whole", true);
      body.set("runs", plan.get("runs").deepCopy());
      for (JsonNode step : body.get("runs").get(0).get("steps")) {
        if (step.hasNonNull("peel"))
          ((ObjectNode) step).putObject("earlierSeconds").put("NOSE", 60);
      }
      assertThat(practice.put(visit + "/steps", body.toString()).status()).isEqualTo(200);
      assertThat(practice.get(visit + "/plan").body().at("/plan/earlierSeconds/NOSE").asInt())
          .isEqualTo(60);
      for (JsonNode step : body.get("runs").get(0).get("steps")) {
        if (step.hasNonNull("peel"))
          ((ObjectNode) step).putObject("earlierSeconds").put("NOSE", 400);
      }
      body.put("over", practice.get(visit + "/plan").body().get("version").asInt());
      assertThat(practice.put(visit + "/steps", body.toString()).detail())
          .contains("nose is to come off earlier, and not before the rest");
      practice.put(visit + "/choice", "{\"formula\":\"MAN-20\"}");
    }

    @Test
    void aPlanBeyondTheDayIsRefused() {
      String visit = "/api/visits/" + visitId("Ishani Velloor");
      JsonNode plan = practice.get(visit + "/plan").body();
      ObjectNode body = JSON.createObjectNode().put("over", 0).put("whole", true);
      body.set("runs", plan.get("runs").deepCopy());
      for (JsonNode step : body.get("runs").get(0).get("steps")) {
        if (step.hasNonNull("peel")) ((ObjectNode) step).put("plannedSeconds", 900);
      }
      Answer answer = practice.put(visit + "/steps", body.toString());
      assertThat(answer.status()).isEqualTo(400);
      assertThat(answer.detail()).contains("at most 180 s today");
    }
  }

  @Nested
  class Events {

    private String treatment() {
      return practice.visit("Jonas Arkwright").get("treatmentId").asString();
    }

    private String note(UUID id, String words) {
      return "{\"id\":\"%s\",\"at\":\"%s\",\"fact\":{\"type\":\"NoteWritten\",\"text\":\"%s\"}}"
          .formatted(id, Instant.now(), words);
    }

    @Test
    void areIdempotentById() {
      String path = "/api/treatments/" + treatment() + "/events";
      UUID id = UUID.randomUUID();
      int first = practice.post(path, note(id, "once")).body().get("seq").asInt();
      int second = practice.post(path, note(id, "once")).body().get("seq").asInt();
      assertThat(second).isEqualTo(first);
    }

    @Test
    void keepOneOrderWhenManyScreensSpeakAtOnce() throws Exception {
      Treatments treatments = practice.bean(Treatments.class);
      UUID id = UUID.fromString(treatment());
      int before = treatments.live(id).events().size();
      try (ExecutorService screens = Executors.newFixedThreadPool(8)) {
        List<Future<?>> said = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
          String words = "screen " + i;
          said.add(
              screens.submit(() ->
                  treatments.append(
                      id,
                      UUID.randomUUID(),
                      Instant.now(),
                      new TreatmentEvent.NoteWritten(words),
                      "ines")));
        }
        for (Future<?> one : said) one.get();
      }
      List<TreatmentEvent> events = treatments.live(id).events();
      assertThat(events).hasSize(before + 40);
      assertThat(events.stream().map(TreatmentEvent::at).toList()).isSorted();
    }

    @Test
    void lieNeitherInTheFutureNorBeforeTheLastOne() {
      Treatments treatments = practice.bean(Treatments.class);
      UUID id = UUID.fromString(treatment());
      TreatmentEvent.NoteWritten note = new TreatmentEvent.NoteWritten("when");
      Live late =
          treatments.append(id, UUID.randomUUID(), Instant.now().plusSeconds(600), note, "ines");
      assertThat(late.events().getLast().at()).isBeforeOrEqualTo(Instant.now());
      Instant last = late.events().getLast().at();
      Live early =
          treatments.append(id, UUID.randomUUID(), Instant.now().minusSeconds(600), note, "ines");
      assertThat(early.events().getLast().at()).isEqualTo(last);
    }

    @Test
    void thatMayNotFollowAreRefusedWithTheReason() {
      String path = "/api/treatments/" + treatment() + "/events";
      Answer armed =
          practice.post(
              path,
              "{\"id\":\"%s\",\"at\":\"%s\",\"fact\":{\"type\":\"TimerArmed\"}}"
                  .formatted(UUID.randomUUID(), Instant.now()));
      assertThat(armed.status()).isEqualTo(422);
      assertThat(armed.detail()).contains("armed already").contains("What was said is kept");
      Answer eleven =
          practice.post(
              path,
              "{\"id\":\"%s\",\"at\":\"%s\",\"fact\":{\"type\":\"SensationAnswered\",\"value\":11}}"
                  .formatted(UUID.randomUUID(), Instant.now()));
      assertThat(eleven.status()).isEqualTo(400);
      assertThat(eleven.detail()).contains("Sensation is 11; allowed is 0 to 10");
    }

    @Test
    void comeWithAdviceForEveryAnswerAndEveryCue() {
      JsonNode view = practice.get("/api/treatments/" + treatment()).body();
      assertThat(view.at("/couch/ahead/ifAnswered").size()).isEqualTo(11);
      JsonNode ahead = view.at("/couch/ahead");
      JsonNode advice = ahead.get("all").get(ahead.get("now").asInt());
      assertThat(Row.valueOf(advice.get("row").asString()).number()).isBetween(1, 17);
      assertThat(view.at("/planned/plan/formulaCode").asString()).isEqualTo("MAN-20");
      assertThat(Instant.parse(view.at("/couch/serverNow").asString()))
          .isBetween(Instant.now().minusSeconds(5), Instant.now().plusSeconds(5));
    }
  }

  @Nested
  class Signed {

    @Test
    void aSignedRecordTakesNoChange() {
      String visit = "/api/visits/" + visitId("Greta Sollund");
      assertThat(practice.put(visit + "/screening/SUN", "{\"choice\":\"no\"}").status())
          .isEqualTo(422);
      JsonNode consult = practice.get(visit + "/consult").body();
      Answer answer =
          practice.put(
              visit + "/consult",
              "{\"version\":%d,\"consult\":%s}"
                  .formatted(consult.get("version").asInt(), consult.get("consult")));
      assertThat(answer.status()).isEqualTo(422);
      assertThat(answer.detail()).contains("addendum only");
      assertThat(practice.put(visit + "/plan", "{}").status()).isEqualTo(422);
    }

    @Test
    void anOpenTreatmentKeepsItsPlanAndItsDate() {
      String visit = "/api/visits/" + visitId("Jonas Arkwright");
      assertThat(
              practice
                  .put(visit + "/choice", "{\"formula\":\"LAC-10\",\"reason\":\"milder\"}")
                  .detail())
          .contains("its formula and plan stay");
      assertThat(practice.put(visit + "/start", "{\"startsAt\":\"2999-01-01T10:00:00Z\"}").status())
          .isEqualTo(422);
    }
  }

  @Nested
  class Arming {

    private String fact(String json) {
      return "{\"id\":\"%s\",\"at\":\"%s\",\"fact\":%s}"
          .formatted(UUID.randomUUID(), Instant.now(), json);
    }

    /// "What changed" in Ready sends the therapist to Screen: what is found there must hold.
    @Test
    void asksScreenOnceMore() {
      String visit = "/api/visits/" + visitId("Maren Holt");
      JsonNode open = practice.post(visit + "/treatment", "").body();
      String events = "/api/treatments/" + open.at("/couch/id").asString() + "/events";
      for (String said : Practice.readied(open.at("/planned/steps"))) {
        practice.post(events, fact(said));
      }
      practice.put(visit + "/screening/COLD_SORE_NOW", "{\"choice\":\"now\"}");
      Answer shut = practice.post(events, fact("{\"type\":\"TimerArmed\"}"));
      assertThat(shut.status()).isEqualTo(422);
      assertThat(shut.detail()).contains("Screen says WAIT");
      practice.put(visit + "/screening/COLD_SORE_NOW", "{\"choice\":\"no\"}");
      Answer armed = practice.post(events, fact("{\"type\":\"TimerArmed\"}"));
      assertThat(armed.body().get("phase").asString()).isEqualTo("ARMED");
      Answer stopped =
          practice.post(
              events, fact("{\"type\":\"GateADecided\",\"choice\":\"STOP\",\"note\":\"\"}"));
      assertThat(stopped.body().get("phase").asString()).isEqualTo("STOPPED");
    }

    @Test
    void isForTheDayOfTheVisitOnly() {
      String visit = "/api/visits/" + visitId("Rosalind Peake");
      practice.put(visit + "/choice", "{\"formula\":\"AZM-15\",\"reason\":\"calm gel\"}");
      practice.put(visit + "/plan", "{}");
      Answer early = practice.post(visit + "/treatment", "");
      assertThat(early.status()).isEqualTo(422);
      assertThat(early.detail()).contains("Move its date in Screen first");
    }
  }

  /// Somebody's data from a newer Ivesk, or from one that never was: the record is refused by name,
  /// and the chart opens all the same.
  @Test
  void anUnreadableRecordIsNamedAndTheChartStillOpens(@TempDir Path data) {
    String kept = "{\"type\":\"BasePoured\",\"v\":3,\"ml\":40}";
    String past;
    try (Practice before = new Practice(Practice.start("demo", data))) {
      before.signIn("ines", "harbour");
      JsonNode visit = before.visit("Maren Holt");
      past =
          before
              .get("/api/clients/" + visit.get("clientId").asString() + "/visits")
              .body()
              .get(0)
              .get("treatmentId")
              .asString();
      before
          .bean(JdbcClient.class)
          .sql("UPDATE treatment_event SET fact = ? FORMAT JSON WHERE treatment_id = ? AND seq = 5")
          .params(kept, UUID.fromString(past))
          .update();
    }
    try (Practice after = new Practice(Practice.start("demo", data))) {
      after.signIn("ines", "harbour");
      Answer record = after.get("/api/treatments/" + past);
      assertThat(record.status()).isEqualTo(422);
      assertThat(record.detail()).contains("This record holds BasePoured, version 3");
      JsonNode visit = after.visit("Maren Holt");
      assertThat(visit.get("unreadable").asString()).contains("BasePoured, version 3");
      Answer chart = after.get("/api/clients/" + visit.get("clientId").asString() + "/visits");
      assertThat(chart.status()).isEqualTo(200);
      assertThat(chart.body().get(0).get("needs").asString()).isEqualTo("signed");
      assertThat(after.get("/api/today").status()).isEqualTo(200);
      assertThat(
              after
                  .bean(JdbcClient.class)
                  .sql("SELECT fact FROM treatment_event WHERE treatment_id = ? AND seq = 5")
                  .param(UUID.fromString(past))
                  .query((row, n) -> new String(row.getBytes("fact"), StandardCharsets.UTF_8))
                  .single())
          .as("kept as it is")
          .isEqualTo(kept);
    }
  }

  /// Row for row as domain/06 has it.
  @Test
  void theDecisionTablePrintsItself() {
    JsonNode lines = practice.get("/api/decision-table").body();
    assertThat(lines.size()).isEqualTo(17);
    List<Integer> passable = new ArrayList<>();
    for (int i = 0; i < 17; i++) {
      JsonNode line = lines.get(i);
      assertThat(line.get("number").asInt()).isEqualTo(i + 1);
      assertThat(line.get("when").asString()).isNotBlank();
      assertThat(line.get("then").asString()).isNotBlank();
      if (line.get("passable").asBoolean()) passable.add(i + 1);
    }
    assertThat(passable).containsExactly(6, 8, 10, 11, 12);
    assertThat(lines.get(4).get("when").asString()).isEqualTo("contact limit reached");
    assertThat(lines.get(4).get("then").asString()).isEqualTo("END NOW");
  }

  @Nested
  class BadInputIsNamed {

    @Test
    void byFieldWhereTheBodyCannotBe() {
      Answer answer =
          practice.post("/api/clients", "{\"name\":\"Una Vell\",\"dateOfBirth\":\"2999-01-01\"}");
      assertThat(answer.status()).isEqualTo(400);
      assertThat(answer.contentType()).contains("problem+json");
      assertThat(answer.body().get("fields").get(0).get("field").asString())
          .isEqualTo("dateOfBirth");
      assertThat(answer.detail()).endsWith("Nothing was saved.");
    }

    @Test
    void byFieldWhereAValueCannotBeRead() {
      Answer answer = practice.put("/api/practice/policies/REST", "{\"answer\":\"7\"}");
      assertThat(answer.status()).isIn(400, 403);
      String client = practice.visit("Maren Holt").get("clientId").asString();
      String id =
          practice
              .get("/api/clients/" + client + "/visits")
              .body()
              .get(1)
              .get("treatmentId")
              .asString();
      Answer told =
          practice.post(
              "/api/treatments/" + id + "/events",
              "{\"id\":\"%s\",\"at\":\"2026-11-25T10:00:00Z\",\"fact\":{\"type\":\"SensationAnswered\",\"value\":11}}"
                  .formatted(UUID.randomUUID()));
      assertThat(told.status()).isEqualTo(400);
      assertThat(told.body().get("fields").get(0).get("field").asString()).startsWith("fact");
      assertThat(told.detail()).contains("Sensation is 11; allowed is 0 to 10");
    }

    /// A fault of the server's own is no bad input: it is logged, and says so.
    @Test
    void butAFaultFromInsideIsTheServers() {
      String visit = visitId("Maren Holt");
      String screening = "/api/visits/" + visit + "/screening";
      JdbcClient jdbc = practice.bean(JdbcClient.class);
      jdbc.sql(
              "INSERT INTO screening_answer (visit_id, question, choice, answered_at, answered_by)"
                  + " VALUES (?, 'NEVER_ASKED', 'YES', CURRENT_TIMESTAMP, 'ines')")
          .param(visit)
          .update();
      try {
        Answer broken = practice.get(screening);
        assertThat(broken.status()).isEqualTo(500);
        assertThat(broken.detail()).doesNotContain("Nothing was saved").contains("Try again");
      } finally {
        jdbc.sql("DELETE FROM screening_answer WHERE question = 'NEVER_ASKED'").update();
      }
    }
  }

  /// The description that the web's types are made from. With -Divesk.schema.write=true it is
  /// written anew.
  @Test
  void theDescriptionInTheTreeIsTheServersOwn() throws IOException {
    Path file = Path.of("../web/src/api/openapi.json");
    JsonNode own = practice.get("/api/openapi").body();
    ((ObjectNode) own).remove("servers");
    if (Boolean.getBoolean("ivesk.schema.write")) {
      Files.writeString(
          file, Practice.JSON.writerWithDefaultPrettyPrinter().writeValueAsString(own) + "\n");
    }
    assertThat(Practice.JSON.readTree(Files.readString(file)))
        .as("stale: run mvn -pl server -am test -Divesk.schema.write=true, then npm run schema")
        .isEqualTo(own);
  }
}
