package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// What a tap on the couch is answered with: small, and whole for what the couch shows.
class CouchWireTest {
  /// Plain JSON, bytes.
  private static final int MOST = 6_000;

  private static Practice practice;
  private static String treatment;

  @BeforeAll
  static void open() {
    practice = Practice.open();
    practice.signIn("ines", "harbour");
  }

  @AfterAll
  static void close() {
    practice.close();
  }

  private static JsonNode say(int seq, String fact) {
    var answer =
        practice.post(
            treatment + "/events?since=" + seq,
            "{\"id\":\"%s\",\"at\":\"%s\",\"fact\":%s}"
                .formatted(UUID.randomUUID(), Instant.now(), fact));
    assertThat(answer.status()).as(answer.detail()).isEqualTo(200);
    return answer.body();
  }

  /// Every place points to an advice, and none is told twice.
  private static void requireAdvices(JsonNode ahead) {
    List<String> all = new ArrayList<>();
    ahead.get("all").forEach(one -> all.add(one.toString()));
    assertThat(new HashSet<>(all)).hasSameSizeAs(all);
    List<Integer> places = new ArrayList<>(List.of(ahead.get("now").asInt()));
    ahead.get("ifAnswered").forEach(place -> places.add(place.asInt()));
    for (JsonNode cue : ahead.get("cues")) {
      places.add(cue.get("advice").asInt());
      assertThat(cue.get("ifAnswered").size()).isEqualTo(11);
      cue.get("ifAnswered").forEach(place -> places.add(place.asInt()));
    }
    assertThat(new HashSet<>(places)).hasSameSizeAs(all);
    assertThat(places).allMatch(place -> place >= 0 && place < all.size());
  }

  @Test
  void isUnderSixKilobytesFromTheFirstStepToTheRest() {
    JsonNode opened =
        practice
            .post(
                "/api/visits/" + practice.visit("Maren Holt").get("id").asString() + "/treatment",
                "")
            .body();
    treatment = "/api/treatments/" + opened.at("/couch/id").asString();
    List<String> facts = Practice.readied(opened.at("/planned/steps"));
    facts.add("{\"type\":\"TimerArmed\"}");
    String zones = opened.at("/planned/plan/zones").toString();
    facts.add("{\"type\":\"LayerStarted\",\"zones\":%s,\"nextRung\":false}".formatted(zones));
    facts.add("{\"type\":\"LayerCovered\"}");
    for (int i = 0; i < 20; i++) {
      facts.add("{\"type\":\"SensationAnswered\",\"value\":%d}".formatted(2 + i % 3));
      facts.add("{\"type\":\"NoteWritten\",\"text\":\"as it should be\"}");
    }
    facts.add("{\"type\":\"RednessSeen\",\"grades\":{\"CHIN\":1,\"NOSE\":2}}");
    facts.add("{\"type\":\"HotSpotFelt\",\"zone\":\"CHIN\",\"value\":5}");
    facts.add("{\"type\":\"EndingStarted\"}");
    int seq = opened.at("/couch/seq").asInt();
    int planned = opened.at("/planned/seq").asInt();
    int most = 0;
    for (String fact : facts) {
      JsonNode answer = say(seq, fact);
      seq = answer.get("seq").asInt();
      most = Math.max(most, Practice.bytes(answer));
      assertThat(Practice.bytes(answer)).as("%s in %s", fact, answer.get("phase")).isLessThan(MOST);
      assertThat(answer.get("planned").asInt()).as("nothing changes the plan").isEqualTo(planned);
      assertThat(answer.at("/log/events").size()).isEqualTo(1);
      requireAdvices(answer.get("ahead"));
    }
    System.out.println("The largest answer to a tap: " + most + " bytes.");
    assertThat(practice.get(treatment + "/why").status()).isEqualTo(200);
    assertThat(practice.get(treatment + "/summary").body().get("words").asString())
        .contains("1 layer");
  }
}
