package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import ivesk.server.treatment.Treatments;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// What was said without the server keeps its time, its distances and who said it.
class LateEventsTest {
  private static Practice practice;
  private static String jonas;

  private String treatment = jonas;

  @BeforeAll
  static void open() {
    practice = Practice.open();
    practice.signIn("ines", "harbour");
    jonas = practice.visit("Jonas Arkwright").get("treatmentId").asString();
  }

  @AfterAll
  static void close() {
    practice.close();
  }

  private Answer say(UUID id, Instant at, String fact, Map<String, String> more) {
    var event = Practice.JSON.createObjectNode();
    event.put("id", id.toString()).put("at", at.toString());
    event.set("fact", Practice.JSON.readTree(fact));
    more.forEach(event::put);
    return practice.post("/api/treatments/" + treatment + "/events", event.toString());
  }

  private Answer say(Instant at, String fact) {
    return say(UUID.randomUUID(), at, fact, Map.of());
  }

  private Instant endedAt() {
    return practice
        .bean(Treatments.class)
        .live(UUID.fromString(treatment))
        .state()
        .endedAt()
        .orElseThrow();
  }

  private static Instant now() {
    return Instant.now().truncatedTo(ChronoUnit.MILLIS);
  }

  private static final String END = "{\"type\":\"EndingStarted\"}";
  private static final String ANSWER = "{\"type\":\"SensationAnswered\",\"value\":3}";

  @Test
  void endSaidOfflineKeepsItsTimeAlthoughAnotherScreenWroteSince() {
    Instant end = now().minusSeconds(60);
    assertThat(say(now().minusSeconds(5), ANSWER).status()).isEqualTo(200);
    assertThat(say(end, END).status()).isEqualTo(200);
    assertThat(endedAt()).isEqualTo(end);
    // Another END, said later elsewhere, is kept and shown, and does not make the contact longer.
    Answer second = say(now(), END);
    assertThat(second.status()).isEqualTo(200);
    assertThat(second.body().get("conflicts").get(0).get("kind").asString())
        .isEqualTo("BOTH_ENDED");
    assertThat(endedAt()).isEqualTo(end);
  }

  @Test
  void aScreenWhoseClockIsWrongKeepsItsDistances() {
    Duration wrong = Duration.ofMinutes(47);
    UUID first = UUID.randomUUID();
    UUID second = UUID.randomUUID();
    Instant said = now().minusSeconds(40);
    for (UUID id : List.of(first, second)) {
      Instant at = said.plus(wrong).plusSeconds(id == second ? 30 : 0);
      assertThat(say(id, at, ANSWER, Map.of("sentAt", now().plus(wrong).toString())).status())
          .isEqualTo(200);
    }
    Instant heard = at(first);
    assertThat(Duration.between(said, heard).abs()).isLessThan(Duration.ofMillis(1500));
    assertThat(Duration.between(heard, at(second)))
        .isBetween(Duration.ofMillis(28_500), Duration.ofMillis(31_500));
  }

  /// END said at 11:00:29 by the screen, with its offset measured, that arrives at 11:00:36.
  @Test
  void howLongARequestIsOnItsWayMovesNothing() {
    UUID slow = UUID.randomUUID();
    UUID quick = UUID.randomUUID();
    Instant first = now().minusSeconds(7);
    Instant second = first.plusMillis(400);
    assertThat(say(quick, second, ANSWER, Map.of("sentAt", now().toString())).status())
        .isEqualTo(200);
    assertThat(say(slow, first, ANSWER, Map.of("sentAt", first.toString())).status())
        .isEqualTo(200);
    assertThat(at(slow)).isEqualTo(first);
    assertThat(at(quick)).as("in the order of the taps").isEqualTo(second);
  }

  private Instant at(UUID event) {
    for (JsonNode one :
        practice.get("/api/treatments/" + treatment).body().at("/couch/log/events")) {
      if (one.get("id").asString().equals(event.toString())) {
        return Instant.parse(one.get("at").asString());
      }
    }
    throw new AssertionError("no event " + event);
  }

  @Test
  void anIdThatSaidSomethingElseIsAConflict() {
    UUID id = UUID.randomUUID();
    Instant at = now();
    assertThat(say(id, at, ANSWER, Map.of()).status()).isEqualTo(200);
    assertThat(say(id, at, ANSWER, Map.of()).status()).isEqualTo(200);
    Answer other = say(id, at, END, Map.of());
    assertThat(other.status()).isEqualTo(409);
    assertThat(other.detail()).contains("What was taken stays");
    treatment = practice.visit("Greta Sollund").get("treatmentId").asString();
    assertThat(say(id, at, ANSWER, Map.of()).status()).isEqualTo(409);
  }

  @Test
  void whoSaidItIsKeptWhoeverSendsItLater() {
    Instant said = now();
    practice.post("/api/sign-out", "{}");
    practice.signIn("rolf", "harbour");
    JsonNode events =
        say(UUID.randomUUID(), said, ANSWER, Map.of("by", "ines")).body().at("/log/events");
    assertThat(events.get(events.size() - 1).get("who").asString()).isEqualTo("ines");
    // Who was never signed in on this device has said nothing on it.
    events =
        say(UUID.randomUUID(), now().plusMillis(1500), ANSWER, Map.of("by", "thea"))
            .body()
            .at("/log/events");
    assertThat(events.get(events.size() - 1).get("who").asString()).isEqualTo("rolf");
    practice.signIn("ines", "harbour");
  }

  /// A screen that has left without a word is let go by the next heartbeats.
  @Test
  void aFollowerThatHasLeftIsLetGoWithinHalfAMinute() throws Exception {
    Practice owner = practice.another().signIn("marit", "harbour");
    String treatment = practice.visit("Jonas Arkwright").get("treatmentId").asString();
    int before = owner.get("/api/health").body().get("followers").asInt();
    List<Socket> screens = new ArrayList<>();
    for (int i = 0; i < 40; i++) {
      Socket screen = new Socket("127.0.0.1", practice.port());
      screen
          .getOutputStream()
          .write(
              ("GET /api/treatments/"
                      + treatment
                      + "/stream HTTP/1.1\r\nHost: localhost\r\n"
                      + "Cookie: ivesk-signed-in="
                      + practice.cookie("ivesk-signed-in")
                      + "\r\n\r\n")
                  .getBytes(StandardCharsets.US_ASCII));
      screens.add(screen);
    }
    await(() -> owner.get("/api/health").body().get("followers").asInt() == before + 40, 10);
    for (Socket screen : screens) screen.close();
    await(() -> owner.get("/api/health").body().get("followers").asInt() <= before, 32);
  }

  private static void await(BooleanSupplier reached, int seconds) throws InterruptedException {
    Instant until = Instant.now().plusSeconds(seconds);
    while (!reached.getAsBoolean()) {
      assertThat(Instant.now()).as("within " + seconds + " s").isBefore(until);
      Thread.sleep(250);
    }
  }

  @Test
  void twoScreensThatOpenOneVisitOpenOneTreatment() throws Exception {
    String visit = practice.visit("Maren Holt").get("id").asString();
    try (ExecutorService screens = Executors.newFixedThreadPool(8)) {
      List<Callable<Answer>> all =
          Collections.nCopies(8, () -> practice.post("/api/visits/" + visit + "/treatment", "{}"));
      List<String> opened = new ArrayList<>();
      for (Future<Answer> one : screens.invokeAll(all)) {
        assertThat(one.get().status()).isEqualTo(200);
        opened.add(one.get().body().at("/couch/id").asString());
      }
      assertThat(opened).containsOnly(opened.getFirst());
    }
  }
}
