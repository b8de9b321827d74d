package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// Addenda to signed records, and the waiting list.
class RecordApiTest {
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

  private static String addendum(UUID id, String why, String words) {
    return "{\"id\":\"%s\",\"kind\":\"CORRECTION\",\"why\":\"%s\",\"words\":\"%s\"}"
        .formatted(id, why, words);
  }

  @Test
  void aSignedRecordIsAddedToAndNothingOfItChanges() {
    String visit = "/api/visits/" + practice.visit("Eskil Varga").get("id").asString();
    String treatment = practice.visit("Eskil Varga").get("treatmentId").asString();
    String before =
        practice.get("/api/treatments/" + treatment).body().at("/couch/log/events").toString();
    UUID id = UUID.randomUUID();
    String said = addendum(id, "the lot was misread", "It was lot A12, not A21.");
    practice.post(visit + "/addenda", said);
    JsonNode kept = practice.post(visit + "/addenda", said).body().get("addenda");
    assertThat(kept).as("sent twice it counts once").hasSize(1);
    assertThat(kept.get(0).get("who").asString()).isEqualTo("Ines Kov");
    assertThat(kept.get(0).get("why").asString()).isEqualTo("the lot was misread");
    assertThat(
            practice.get("/api/treatments/" + treatment).body().at("/couch/log/events").toString())
        .isEqualTo(before);
    for (String bad :
        new String[] {
          addendum(UUID.randomUUID(), " ", "x"), addendum(UUID.randomUUID(), "x", " ")
        }) {
      assertThat(practice.post(visit + "/addenda", bad).status()).isEqualTo(400);
    }
    String open = "/api/visits/" + practice.visit("Ishani Velloor").get("id").asString();
    assertThat(practice.post(open + "/addenda", said).status()).as("not signed").isEqualTo(422);
  }

  @Test
  void aCancelledSlotGoesToWhoWaits() {
    String at = LocalDate.now(ZoneOffset.UTC).plusDays(3) + "T09:00:00Z";
    String visit =
        practice
            .post(
                "/api/visits",
                "{\"clientId\":\"%s\",\"startsAt\":\"%s\",\"room\":\"room 2\"}"
                    .formatted(practice.client("Casper"), at))
            .body()
            .get("id")
            .asString();
    practice.post("/api/visits/" + visit + "/cancellation", "{\"why\":\"a cold\"}");
    practice.post(
        "/api/waiting",
        "{\"clientId\":\"%s\",\"wish\":\"mornings\"}".formatted(practice.client("Linnea")));
    JsonNode all =
        practice
            .post(
                "/api/waiting",
                "{\"clientId\":\"%s\",\"wish\":\"\"}".formatted(practice.client("Linnea")))
            .body();
    assertThat(all.get("waiting")).as("once").hasSize(1);
    assertThat(all.get("slots")).anyMatch(slot -> slot.get("visitId").asString().equals(visit));
    String waiting = all.get("waiting").get(0).get("id").asString();
    String taken = "{\"slotId\":\"%s\"}".formatted(visit);
    JsonNode after = practice.post("/api/waiting/" + waiting + "/booking", taken).body();
    assertThat(after.get("waiting")).isEmpty();
    assertThat(after.get("slots")).noneMatch(slot -> slot.get("visitId").asString().equals(visit));
    practice.post(
        "/api/waiting",
        "{\"clientId\":\"%s\",\"wish\":\"\"}".formatted(practice.client("Rosalind")));
    String next = practice.get("/api/waiting").body().get("waiting").get(0).get("id").asString();
    assertThat(practice.post("/api/waiting/" + next + "/booking", taken).status())
        .as("taken by now")
        .isEqualTo(422);
    practice.delete("/api/waiting/" + next);
    assertThat(practice.get("/api/waiting").body().get("waiting")).isEmpty();
  }
}
