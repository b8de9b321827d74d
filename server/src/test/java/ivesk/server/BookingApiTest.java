package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

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
}
