package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/// The client's own phone: it comes in once by a code, says a number, a spot or stop, and nothing
/// else.
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class HandsetTest {
  private static Practice practice;
  private static String treatment;
  private static Practice phone;
  private static String used;

  @BeforeAll
  static void open() {
    practice = Practice.open();
    practice.signIn("ines", "harbour");
  }

  private static JsonNode ofToday(String client) {
    for (JsonNode one : practice.get("/api/today").body().get("visits")) {
      if (one.get("clientName").asString().equals(client)) return one;
    }
    throw new AssertionError(client + " does not come today");
  }

  @AfterAll
  static void close() {
    practice.close();
  }

  private static Answer said(Practice by, String fact) {
    return by.post(
        "/api/handset/said", "{\"id\":\"%s\",\"fact\":%s}".formatted(UUID.randomUUID(), fact));
  }

  private static Answer enter(Practice by, String code) {
    return by.post("/api/handset", "{\"code\":\"%s\"}".formatted(code));
  }

  /// Somebody who opens the page first.
  private static Practice visitor() {
    Practice visitor = practice.another();
    visitor.get("/api/session");
    return visitor;
  }

  private static JsonNode now() {
    return practice.get(treatment).body();
  }

  @Test
  @Order(1)
  void isOffUnlessThePracticeTurnsItOn() {
    treatment = "/api/treatments/" + ofToday("Jonas Arkwright").get("treatmentId").asString();
    Answer off = practice.post(treatment + "/handset", "");
    assertThat(off.status()).isEqualTo(422);
    assertThat(off.detail()).startsWith("The practice uses no client's handset");
    assertThat(now().at("/planned/handset").asBoolean()).isFalse();
  }

  @Test
  @Order(2)
  void comesInOnceByItsCode() {
    practice.signIn("thea", "harbour");
    assertThat(practice.put("/api/practice/policies/HANDSET", "{\"answer\":\"on\"}").status())
        .isEqualTo(200);
    practice.signIn("ines", "harbour");
    String visit = "/api/visits/" + ofToday("Maren Holt").get("id").asString();
    treatment =
        "/api/treatments/"
            + practice.post(visit + "/treatment", "").body().at("/couch/id").asString();
    JsonNode shown = practice.post(treatment + "/handset", "").body();
    used = shown.get("code").asString();
    assertThat(used).matches("[A-Z]{6}");
    assertThat(shown.get("address").asString()).endsWith("/handset#" + used);
    assertThat(shown.get("qr").asString()).startsWith("M4 4h1v1h-1z");
    phone = visitor();
    assertThat(phone.get("/api/handset").detail())
        .isEqualTo("This page is not open. Ask for a code.");
    JsonNode in = enter(phone, used.toLowerCase(java.util.Locale.ROOT)).body();
    assertThat(in.get("firstName").asString()).doesNotContain(" ");
    assertThat(in.propertyNames())
        .as("the first name, and nothing else of anybody")
        .isSubsetOf("firstName", "serverNow", "asks", "acidOn", "zones", "told", "cues");
    Answer again = enter(visitor(), used);
    assertThat(again.status()).isEqualTo(422);
    assertThat(again.detail()).isEqualTo("This code is wrong, used or too old. Ask for a new one.");
  }

  @Test
  @Order(3)
  void saysANumberWithItsSourceAtOnce() {
    Instant began = Instant.now();
    assertThat(said(phone, "{\"type\":\"SensationAnswered\",\"value\":6}").status()).isEqualTo(200);
    assertThat(Duration.between(began, Instant.now())).isLessThan(Duration.ofSeconds(2));
    JsonNode last = now().at("/couch/log/events").get(now().at("/couch/log/events").size() - 1);
    assertThat(last.get("who").asString()).isEqualTo("client's handset");
    assertThat(last.at("/fact/value").asInt()).isEqualTo(6);
    assertThat(phone.get("/api/handset").body().get("told").asInt()).isEqualTo(6);
  }

  @Test
  @Order(4)
  void isSlowedDownInWhatItSaysButNeverInStop() {
    int slowed = 0;
    for (int i = 0; i < 80; i++) {
      Answer answer = said(phone, "{\"type\":\"SensationAnswered\",\"value\":2}");
      assertThat(answer.status()).isIn(200, 429);
      if (answer.status() == 429) slowed++;
    }
    assertThat(slowed).isBetween(15, 25);
  }

  @Test
  @Order(5)
  void saysStop() {
    assertThat(said(phone, "{\"type\":\"SignSeen\",\"sign\":\"ASKS_TO_STOP\"}").status())
        .isEqualTo(200);
    assertThat(now().at("/couch/seen/signs/0").asString()).isEqualTo("ASKS_TO_STOP");
  }

  /// Pressed again and again: each is answered, and one in a second is kept.
  @Test
  @Order(5)
  void stopIsKeptOnceASecond() {
    int before = kept();
    long began = System.nanoTime();
    for (int i = 0; i < 20; i++) {
      assertThat(said(phone, "{\"type\":\"SignSeen\",\"sign\":\"ASKS_TO_STOP\"}").status())
          .isEqualTo(200);
    }
    long seconds = Duration.ofNanos(System.nanoTime() - began).toSeconds();
    assertThat(kept() - before).isBetween(0, (int) seconds + 2).isLessThan(20);
  }

  private int kept() {
    return practice
        .bean(JdbcClient.class)
        .sql("SELECT COUNT(*) FROM treatment_event WHERE treatment_id = ?")
        .param(UUID.fromString(treatment.substring(treatment.lastIndexOf('/') + 1)))
        .query(Integer.class)
        .single();
  }

  @Test
  @Order(6)
  void doesNothingElse() {
    for (String fact :
        new String[] {
          "{\"type\":\"SignSeen\",\"sign\":\"FAINT\"}",
          "{\"type\":\"NoteWritten\",\"text\":\"hello\"}",
          "{\"type\":\"TimerArmed\"}",
          "{\"type\":\"EndingStarted\"}"
        }) {
      Answer refused = said(phone, fact);
      assertThat(refused.status()).as(fact).isEqualTo(422);
      assertThat(refused.detail()).contains("Nothing was kept");
    }
    assertThat(phone.get("/api/today").status()).isEqualTo(401);
    assertThat(phone.get(treatment).status()).isEqualTo(401);
  }

  @Test
  @Order(7)
  void isOutWhenAnotherCodeIsShownOrTheTreatmentIsClosed() {
    String code = practice.post(treatment + "/handset", "").body().get("code").asString();
    assertThat(phone.get("/api/handset").status()).isEqualTo(422);
    assertThat(enter(phone, code).status()).isEqualTo(200);
    practice.post(
        treatment + "/events",
        "{\"id\":\"%s\",\"at\":\"%s\",\"fact\":{\"type\":\"StepDone\",\"step\":\"PREP\",\"note\":\"\"}}"
            .formatted(UUID.randomUUID(), Instant.now()));
    practice.post(
        treatment + "/events",
        "{\"id\":\"%s\",\"at\":\"%s\",\"fact\":{\"type\":\"SensationAnswered\",\"value\":5}}"
            .formatted(UUID.randomUUID(), Instant.now()));
    String stop =
        "{\"id\":\"%s\",\"at\":\"%s\",\"fact\":{\"type\":\"GateADecided\",\"choice\":\"STOP\",\"note\":\"\"}}"
            .formatted(UUID.randomUUID(), Instant.now());
    assertThat(practice.post(treatment + "/events", stop).status()).isEqualTo(200);
    assertThat(phone.get("/api/handset").detail()).isEqualTo("The visit is over. Thank you.");
    assertThat(said(phone, "{\"type\":\"SensationAnswered\",\"value\":5}").status()).isEqualTo(422);
  }

  @Test
  @Order(8)
  void twentyWrongCodesInARowAreSlowedDown() {
    Practice guesser = visitor();
    int slowed = 0;
    for (int i = 0; i < 25; i++) {
      if (enter(guesser, "WRONG" + (char) ('A' + i % 5)).status() == 429) slowed++;
    }
    assertThat(slowed).isBetween(1, 6);
  }
}
