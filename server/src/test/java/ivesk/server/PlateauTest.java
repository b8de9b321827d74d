package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.formula.Family;
import ivesk.core.formula.Library;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// The same scores over three peels: seen in Consult, weighed in Choose, a second family proposed.
class PlateauTest {
  private static Practice practice;
  private static String client;
  private static String visit;

  @BeforeAll
  static void open() {
    practice = Practice.open().signIn("ines", "harbour");
    client = practice.client("Maren Holt");
    visit = practice.visit("Maren Holt").get("id").asString();
  }

  @AfterAll
  static void close() {
    practice.close();
  }

  private static void score(String on, int satisfaction) {
    String at = "/api/clients/" + client + "/scores/" + on;
    String sheet = "{\"masi\":{},\"gags\":{\"NOSE\":2},\"colours\":{},\"satisfaction\":";
    for (int version = 0; version < 5; version++) {
      String body = "{\"sheet\":" + sheet + satisfaction + "},\"version\":" + version + "}";
      if (practice.put(at, body).status() == 200) return;
    }
    throw new AssertionError("no scores of " + on);
  }

  private static JsonNode consult() {
    return practice.get("/api/visits/" + visit + "/consult").body();
  }

  private static JsonNode courses() {
    return practice.get("/api/clients/" + client + "/courses").body();
  }

  private static String rack() {
    return practice.get("/api/visits/" + visit + "/selection").body().toString();
  }

  @Test
  void whatTheScoresSayCountsUntilItIsSaidOtherwise() {
    List<String> peels = new ArrayList<>();
    for (JsonNode one : practice.get("/api/clients/" + client + "/visits").body()) {
      if (one.has("signedAt")) peels.add(one.get("startsAt").asString().substring(0, 10));
    }
    List<String> last = peels.subList(peels.size() - 3, peels.size());
    last.forEach(on -> score(on, 6));
    score(last.get(1), 7);
    assertThat(consult().get("sameScores").asBoolean()).as("one has moved").isFalse();
    assertThat(courses().has("alternative")).isFalse();

    score(last.get(1), 6);
    assertThat(consult().get("sameScores").asBoolean()).isTrue();
    assertThat(
            practice.get("/api/clients/" + client + "/progress").body().get("plateau").asBoolean())
        .isTrue();
    String alternative = courses().get("alternative").asString();
    assertThat(Library.get(alternative).family()).isNotEqualTo(Family.GLYCOLIC);

    ObjectNode said = (ObjectNode) consult().get("consult");
    int version = consult().get("version").asInt();
    String atPlateau = rack();
    said.put("plateau", false);
    assertThat(
            practice
                .put(
                    "/api/visits/" + visit + "/consult",
                    "{\"consult\":" + said + ",\"version\":" + version + "}")
                .status())
        .isEqualTo(200);
    assertThat(rack()).as("the running series has its advantage again").isNotEqualTo(atPlateau);
  }
}
