package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// The book over HTTP: two visits on one day, another length, a visit that does not take place, and
/// whom an alarm calls.
class BookingApiTest {
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

  /// Three peels told of take the place of the formula's days: GLY-35 is 0 to 2 days in the library
  /// of domain/03.
  @Test
  void ownFlakingTakesThePlaceOfTheFormulas() {
    JsonNode visits =
        practice
            .get(
                "/api/clients/"
                    + practice.visit("Maren Holt").get("clientId").asString()
                    + "/visits")
            .body();
    String today = "/api/visits/" + practice.visit("Maren Holt").get("id").asString();
    assertThat(flaking(today, "GLY-20")).isEqualTo("0 to 0, own false");
    int told = 0;
    for (JsonNode visit : visits) {
      if (!visit.has("signedAt") || told == 3) continue;
      String flakes = "/api/visits/" + visit.get("id").asString() + "/flakes";
      assertThat(practice.get(flakes).body().has("told")).isFalse();
      assertThat(flaking(today, "GLY-20")).as("fewer than three").isEqualTo("0 to 0, own false");
      Answer kept = practice.put(flakes, "{\"firstDay\":2,\"lastDay\":%d}".formatted(3 + told++));
      assertThat(kept.status()).isEqualTo(200);
      assertThat(practice.get(flakes).body().get("told").get("first").asInt()).isEqualTo(2);
    }
    assertThat(flaking(today, "GLY-20")).isEqualTo("2 to 5, own true");
    assertThat(flaking(today, "GLY-35")).as("of a milder rung").isEqualTo("1 to 2, own false");
  }

  private static String flaking(String visit, String code) {
    for (JsonNode tile : practice.get(visit + "/selection").body().get("tiles")) {
      if (tile.get("code").asString().equals(code)) {
        return tile.get("peelingFirst").asInt()
            + " to "
            + tile.get("peelingLast").asInt()
            + ", own "
            + tile.get("ownFlaking").asBoolean();
      }
    }
    throw new AssertionError(code);
  }

  @Test
  void flakesAreToldOfAPeelThatWasAndInTheirOrder() {
    String jonas = "/api/visits/" + practice.visit("Jonas Arkwright").get("id").asString();
    assertThat(practice.put(jonas + "/flakes", "{\"firstDay\":4,\"lastDay\":2}").status())
        .isEqualTo(400);
    assertThat(practice.put(jonas + "/flakes", "{\"firstDay\":4,\"lastDay\":31}").detail())
        .contains("Last day of flakes is 31; allowed is 0 to 30");
    String yara = "/api/visits/" + practice.visit("Yara Minhas").get("id").asString();
    assertThat(practice.put(yara + "/flakes", "{\"firstDay\":1,\"lastDay\":2}").detail())
        .isEqualTo("There was no peel at this visit.");
  }

  /// What is on the skin counts from its own time, whatever was booked when.
  @Test
  void aSecondVisitOfTheSameDayKnowsThePeelOfTheFirst() {
    JsonNode first = practice.visit("Jonas Arkwright");
    String client = first.get("clientId").asString();
    String start = practice.visit("Bruno Castelmar").get("startsAt").asString();
    Answer second =
        practice.post(
            "/api/visits",
            "{\"clientId\":\"%s\",\"startsAt\":\"%s\",\"room\":\"room 9\"}"
                .formatted(client, start));
    assertThat(second.status()).isEqualTo(201);
    String visit = "/api/visits/" + second.body().get("id").asString();
    assertThat(practice.get(visit + "/screening").body().get("outcome").get("findings").toString())
        .contains("SCR-INTERVAL")
        .contains("last peel");
    Answer longer =
        practice.put(
            visit + "/booking",
            "{\"startsAt\":\"%s\",\"minutes\":120,\"room\":\"room 9\"}".formatted(start));
    assertThat(longer.body().get("minutes").asInt()).isEqualTo(120);
    assertThat(
            practice
                .put(
                    visit + "/booking",
                    "{\"startsAt\":\"%s\",\"minutes\":300,\"room\":\"room 9\"}".formatted(start))
                .status())
        .isEqualTo(400);
    Answer cancelled = practice.post(visit + "/cancellation", "{\"why\":\"booked twice\"}");
    assertThat(cancelled.body().get("needs").asString()).isEqualTo("cancelled: booked twice");
    assertThat(
            practice
                .put(
                    visit + "/booking",
                    "{\"startsAt\":\"%s\",\"minutes\":60,\"room\":\"room 9\"}".formatted(start))
                .status())
        .isEqualTo(422);
  }

  /// domain/09 and 13: outside records.
  @Test
  void aPeelDoneElsewhereRunsItsIntervalAndMayRaiseTheFirstRung() {
    JsonNode visit = practice.visit("Adaeze Orland");
    String client = "/api/clients/" + visit.get("clientId").asString() + "/outside-peels";
    String screening = "/api/visits/" + visit.get("id").asString() + "/screening";
    String done =
        "{\"formula\":\"MAN-20\",\"region\":\"FACE\",\"on\":\"%s\","
            + "\"outcome\":\"WELL_TAKEN\",\"seen\":true,\"higherBecause\":\"%s\"}";
    String fourDaysAgo = LocalDate.now().minusDays(4).toString();
    assertThat(practice.post(client, done.formatted(fourDaysAgo, "four last winter")).status())
        .isEqualTo(204);
    JsonNode kept = practice.get(screening).body();
    assertThat(kept.get("outsidePeels").get(0).get("what").asString())
        .isEqualTo("MAN-20 on the face, well taken");
    assertThat(kept.get("outcome").get("findings").toString())
        .contains("SCR-INTERVAL")
        .contains("elsewhere");
    String rack = "/api/visits/" + visit.get("id").asString() + "/selection";
    assertThat(shutBy(rack, "MAN-40")).doesNotContain("LADDER");
    Answer withdrawn =
        practice.delete(client + "/" + kept.get("outsidePeels").get(0).get("id").asString());
    assertThat(withdrawn.status()).isEqualTo(204);
    assertThat(practice.get(screening).body().get("outsidePeels").isEmpty()).isTrue();
    assertThat(shutBy(rack, "MAN-40")).contains("LADDER");

    String tomorrow = LocalDate.now().plusDays(1).toString();
    Answer toCome = practice.post(client, done.formatted(tomorrow, ""));
    assertThat(toCome.status()).isEqualTo(400);
    assertThat(toCome.detail()).contains("lies in the past");
    assertThat(
            practice
                .post(client, done.formatted(fourDaysAgo, "").replace("MAN-20", "NOT-1"))
                .status())
        .isEqualTo(400);
  }

  private static String shutBy(String rack, String code) {
    for (JsonNode tile : practice.get(rack).body().get("tiles")) {
      if (tile.get("code").asString().equals(code)) return tile.get("shut").toString();
    }
    throw new AssertionError("no tile " + code);
  }

  /// Strong families are signed for once they may be used.
  @Test
  void consentIsAskedForWhatMayBeUsed() {
    String screening =
        "/api/visits/" + practice.visit("Adaeze Orland").get("id").asString() + "/screening";
    assertThat(asked(practice.get(screening).body()))
        .contains("MANDELIC", "SALICYLIC")
        .doesNotContain("TCA", "PYRUVIC");
    assertThat(
            asked(practice.put(screening + "/SALICYLATE_ALLERGY", "{\"choice\":\"yes\"}").body()))
        .as("each answer says anew which are asked for")
        .contains("MANDELIC")
        .doesNotContain("SALICYLIC");
  }

  private static List<String> asked(JsonNode screening) {
    List<String> asked = new ArrayList<>();
    for (JsonNode family : screening.get("consents")) {
      if (family.get("asked").asBoolean()) asked.add(family.get("id").asString());
    }
    return asked;
  }

  @Test
  void whoBeginsWithTheLettersIsFoundFirst() {
    assertThat(
            practice
                .get("/api/clients?find=mar")
                .body()
                .get("clients")
                .get(0)
                .get("name")
                .asString())
        .isEqualTo("Maren Holt");
  }

  @Test
  void theNumbersOfAnAlarmAreSetByTheClinicianOrTheOwner() {
    assertThat(practice.get("/api/practice/numbers").body().get("emergency").asString())
        .isEqualTo("112");
    Answer notHers = practice.put("/api/practice/numbers/EMERGENCY", "{\"number\":\"999\"}");
    assertThat(notHers.status()).isEqualTo(403);
    assertThat(practice.get("/api/practice/numbers").body().get("poisonCentre").asString())
        .isEqualTo("555 0142");
  }

  @Test
  void aVisitOnADayThatIsClosedIsWarnedOf() {
    JsonNode details = practice.get("/api/practice").body();
    practice.signIn("marit", "harbour");
    JsonNode visit = practice.visit("Oumar Belgrave");
    String day = visit.get("day").asString();
    ObjectNode closed = (ObjectNode) details.deepCopy();
    closed
        .putArray("opening")
        .add("MONDAY")
        .add("TUESDAY")
        .add("WEDNESDAY")
        .add("THURSDAY")
        .add("FRIDAY")
        .add("SATURDAY")
        .add("SUNDAY");
    closed.putArray("closedDays").addObject().put("day", day).put("why", "stocktaking");
    assertThat(practice.put("/api/practice", closed.toString()).status()).isEqualTo(200);
    String path = "/api/visits/" + visit.get("id").asString();
    assertThat(practice.get(path).body().get("warnings").toString())
        .contains("closed this day: stocktaking");
    closed.putArray("closedDays");
    closed.putArray("opening").add(LocalDate.parse(day).plusDays(1).getDayOfWeek().name());
    practice.put("/api/practice", closed.toString());
    assertThat(practice.get(path).body().get("warnings").toString())
        .contains("not open on this day of the week");
    closed.put("zone", "Atlantis/Centre");
    Answer wrong = practice.put("/api/practice", closed.toString());
    assertThat(wrong.status()).isEqualTo(400);
    assertThat(wrong.detail()).contains("no time zone 'Atlantis/Centre'");
    practice.put("/api/practice", details.toString());
    practice.signIn("ines", "harbour");
  }
}
