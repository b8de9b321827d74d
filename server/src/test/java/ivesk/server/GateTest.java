package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import tools.jackson.databind.JsonNode;

/// From the plan to the armed timer as the server has it: edge, looks, gate A, who is present.
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class GateTest {
  private static Practice practice;
  private static String visit;
  private static String treatment;

  @BeforeAll
  static void open() {
    practice = Practice.open();
    practice.signIn("ines", "harbour");
    for (JsonNode one : practice.get("/api/today").body().get("visits")) {
      if (one.get("clientName").asString().equals("Maren Holt")) {
        visit = "/api/visits/" + one.get("id").asString();
      }
    }
  }

  @AfterAll
  static void close() {
    practice.close();
  }

  private static Answer say(String fact) {
    return practice.post(
        treatment + "/events",
        "{\"id\":\"%s\",\"at\":\"%s\",\"fact\":%s}"
            .formatted(UUID.randomUUID(), Instant.now(), fact));
  }

  private static Answer done(String step) {
    return say("{\"type\":\"StepDone\",\"step\":\"%s\",\"note\":\"\"}".formatted(step));
  }

  private static List<String> words(JsonNode list) {
    List<String> words = new ArrayList<>();
    list.forEach(one -> words.add(one.asString()));
    return words;
  }

  @Test
  @Order(1)
  void anEdgeIsChosenAmongThoseThatAreOpen() {
    JsonNode plan = practice.get(visit + "/plan").body();
    // As it was chosen by hand at the visit before; the usual one is below the jaw.
    assertThat(plan.at("/plan/edge").asString()).isEqualTo("HIGH_ON_THE_NECK");
    assertThat(plan.get("edges").get(0).asString()).isEqualTo("BELOW_THE_JAW");
    assertThat(words(plan.get("edges"))).doesNotContain("UPPER_NECK");
    Answer shut = practice.put(visit + "/edge", "{\"edge\":\"UPPER_NECK\"}");
    assertThat(shut.status()).isEqualTo(400);
    assertThat(shut.detail()).contains("this peel may go to");
    assertThat(
            practice
                .put(visit + "/edge", "{\"edge\":\"BELOW_THE_JAW\"}")
                .body()
                .at("/plan/edge")
                .asString())
        .isEqualTo("BELOW_THE_JAW");
    assertThat(practice.get(visit + "/plan").body().get("kept").asBoolean()).isTrue();
  }

  @Test
  @Order(2)
  void lookOneComesBeforeTheCleanse() {
    treatment =
        "/api/treatments/"
            + practice.post(visit + "/treatment", "").body().at("/couch/id").asString();
    Answer early = done("CLEANSE");
    assertThat(early.status()).isEqualTo(422);
    assertThat(early.detail()).startsWith("Look 1 comes before anything touches the skin");
    for (String step : List.of("CHANGED", "CONSENT", "PHOTOS", "BRIEFING", "LOOK_1", "CLEANSE")) {
      assertThat(done(step).status()).as(step).isEqualTo(200);
    }
    assertThat(done("PREP").status()).isEqualTo(200);
  }

  @Test
  @Order(3)
  void whoIsPresentSaysSoThemselves() {
    assertThat(done("CLINICIAN").status()).as("a therapist ticks it").isEqualTo(400);
    Answer wrong =
        practice.post(
            treatment + "/clinician",
            "{\"id\":\"%s\",\"clinician\":{\"username\":\"thea\",\"word\":\"guessed\"}}"
                .formatted(UUID.randomUUID()));
    assertThat(wrong.status()).isEqualTo(400);
    assertThat(wrong.detail()).contains("supervising clinician's own sign-in");
    Answer notAsked =
        practice.post(
            treatment + "/clinician",
            "{\"id\":\"%s\",\"clinician\":{\"username\":\"thea\",\"word\":\"harbour\"}}"
                .formatted(UUID.randomUUID()));
    assertThat(notAsked.detail()).startsWith("This plan has no such step");
  }

  private static Answer change(String choice, String formula) {
    return practice.post(
        treatment + "/gate-a",
        "{\"id\":\"%s\",\"choice\":\"%s\",\"formula\":\"%s\"}"
            .formatted(UUID.randomUUID(), choice, formula));
  }

  @Test
  @Order(4)
  void gateAChangesThePlanAsScreenAndChooseHaveItNow() {
    assertThat(change("LOWER_RUNG", "GLY-20").detail()).startsWith("Ask how the prep feels first");
    say("{\"type\":\"SensationAnswered\",\"value\":8}");
    assertThat(say("{\"type\":\"GateADecided\",\"choice\":\"KEEP\",\"note\":\"\"}").detail())
        .startsWith("8 before any acid");
    JsonNode instead = practice.get(treatment + "/gate-a").body();
    assertThat(instead.get("lowerRung").asString()).isEqualTo("GLY-20");
    assertThat(words(instead.get("others"))).isNotEmpty().doesNotContain("GLY-35", "GLY-20");
    Answer shut = change("OTHER_FORMULA", "TCA-35");
    assertThat(shut.status()).isEqualTo(422);
    assertThat(practice.get(visit).body().get("formula").asString()).isEqualTo("GLY-35");
    assertThat(change("KEEP", "GLY-20").status()).isEqualTo(400);
    Answer forged = say("{\"type\":\"PlanChanged\",\"choice\":\"LOWER_RUNG\",\"plan\":{}}");
    assertThat(forged.status()).as("a plan is never sent").isBetween(400, 422);

    JsonNode mistaken = change("LOWER_RUNG", "GLY-20").body();
    JsonNode back =
        say("{\"type\":\"TakenBack\",\"event\":\"%s\"}"
                .formatted(mistaken.at("/couch/log/undo/event").asString()))
            .body();
    assertThat(back.get("planned").asInt())
        .as("the screen is told that the plan is another one")
        .isGreaterThan(mistaken.at("/planned/seq").asInt());
    assertThat(practice.get(treatment).body().at("/planned/plan/formulaCode").asString())
        .isEqualTo("GLY-35");
    assertThat(practice.get(visit).body().get("formula").asString()).isEqualTo("GLY-35");

    JsonNode changed = change("LOWER_RUNG", "GLY-20").body();
    assertThat(changed.at("/planned/plan/formulaCode").asString()).isEqualTo("GLY-20");
    assertThat(changed.at("/planned/plan/edge").asString()).isEqualTo("BELOW_THE_JAW");
    assertThat(changed.at("/couch/gate/decided").asString()).isEqualTo("LOWER_RUNG");
    assertThat(changed.at("/couch/acid/contactLimitSeconds").asLong())
        .isEqualTo(changed.at("/planned/plan/contactSeconds").asLong());
    assertThat(changed.at("/couch/log/events").toString()).contains("\"note\":\"GLY-20\"");
    assertThat(practice.get(visit).body().get("formula").asString()).isEqualTo("GLY-20");
    assertThat(practice.get(visit + "/plan").body().get("runs").toString())
        .contains("GLY-20")
        .doesNotContain("GLY-35");
  }

  @Test
  @Order(5)
  void theChangedPlanIsArmedAndTreated() {
    for (String step :
        List.of("HAIR_LENSES_GLOVES", "LOOK_2", "BARRIER", "EYES", "IN_REACH", "FAN_TISSUE")) {
      assertThat(done(step).status()).as(step).isEqualTo(200);
    }
    say("{\"type\":\"RednessSeen\",\"grades\":{\"CHIN\":0}}");
    assertThat(say("{\"type\":\"TimerArmed\"}").body().get("phase").asString()).isEqualTo("ARMED");
    assertThat(change("LOWER_RUNG", "LAC-10").detail()).startsWith("Ready is over");
  }

  /// An open spot of look 1 answers its question until somebody does.
  @Test
  @Order(6)
  void anOpenSpotOfLookOneAnswersItsQuestion() {
    String other = null;
    for (JsonNode one : practice.get("/api/today").body().get("visits")) {
      if (one.get("clientName").asString().equals("Ishani Velloor")) {
        other = "/api/visits/" + one.get("id").asString();
      }
    }
    JsonNode saved = practice.get(other + "/consult").body();
    var consult = (tools.jackson.databind.node.ObjectNode) saved.get("consult");
    consult.putObject("looks").putObject("CHIN").put("OPEN_SPOTS", 1);
    assertThat(
            practice
                .put(
                    other + "/consult",
                    "{\"version\":%d,\"consult\":%s}"
                        .formatted(saved.get("version").asInt(), consult))
                .status())
        .isEqualTo(200);
    practice.put(other + "/screening/OPEN_SPOTS", "{}");
    JsonNode asked = question(other);
    assertThat(asked.get("choice").asString()).isEqualTo("few");
    assertThat(asked.get("answered").asBoolean()).isTrue();
    assertThat(asked.get("seen").asString()).isEqualTo("look 1 shows open spots: chin");
    assertThat(asked.has("told")).isFalse();
    practice.put(other + "/screening/OPEN_SPOTS", "{\"choice\":\"many\"}");
    assertThat(question(other).get("choice").asString()).isEqualTo("many");
  }

  private static JsonNode question(String visit) {
    for (JsonNode one : practice.get(visit + "/screening").body().get("questions")) {
      if (one.get("id").asString().equals("OPEN_SPOTS")) return one;
    }
    throw new AssertionError("it is not asked");
  }

  /// Comforts are kept, and rewrite the steps of the next plan.
  @Test
  @Order(7)
  void comfortIsKeptWithTheClient() {
    JsonNode found = practice.get("/api/clients?find=Greta").body().at("/clients/0");
    assertThat(words(found.get("comforts"))).containsExactly("DREADS_COLD");
    Answer wrong =
        practice.post(
            "/api/clients",
            "{\"name\":\"Nobody Yet\",\"dateOfBirth\":\"1990-01-01\",\"comforts\":[\"WARMTH\"]}");
    assertThat(wrong.status()).isEqualTo(400);
    JsonNode added =
        practice
            .post(
                "/api/clients",
                "{\"name\":\"Nobody Yet\",\"dateOfBirth\":\"1990-01-01\","
                    + "\"comforts\":[\"HAND_SIGNS\",\"CLOSED_IN\"]}")
            .body();
    assertThat(words(added.get("comforts"))).containsExactly("CLOSED_IN", "HAND_SIGNS");
  }
}
