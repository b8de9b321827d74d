package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.aftercare.HomeItem;
import ivesk.server.Practice.Answer;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// What the client has in hand is kept word for word, whatever is changed later.
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class GivenSheetTest {
  private Practice practice;

  @BeforeAll
  void open() {
    practice = Practice.open();
    practice.signIn("marit", "harbour");
  }

  @AfterAll
  void close() {
    practice.close();
  }

  private Answer give(String given, UUID id, String way, String language) {
    return practice.post(
        given, "{\"id\":\"%s\",\"way\":\"%s\",\"language\":\"%s\"}".formatted(id, way, language));
  }

  private void telephone(String number) {
    ObjectNode details = (ObjectNode) practice.get("/api/practice").body();
    details.put("telephone", number);
    assertThat(practice.put("/api/practice", details.toString()).status()).isEqualTo(200);
  }

  @Test
  void whatWasGivenStays() {
    String aftercare =
        "/api/visits/" + practice.visit("Sunniva Brekke").get("id").asString() + "/aftercare";
    String given = aftercare + "/given";
    assertThat(practice.get(given).body().size()).isZero();
    telephone("555 0142");
    JsonNode sheet = practice.get(aftercare + "?in=DE").body().get("sheet");

    UUID id = UUID.randomUUID();
    Answer kept = give(given, id, "PRINTED", "DE");
    assertThat(kept.status()).isEqualTo(200);
    assertThat(kept.body().get("sheet")).isEqualTo(sheet);
    assertThat(kept.body().get("given").get("holds").asBoolean()).isTrue();
    String file = given + "/" + id + "/sheet.";
    String calendar = practice.text(file + "ics");
    assertThat(calendar).contains("555 0142");

    telephone("555 0143");
    assertThat(practice.get(aftercare + "?in=DE").body().get("sheet")).isNotEqualTo(sheet);
    JsonNode again = give(given, id, "PDF", "EN").body();
    assertThat(again.get("sheet")).as("sent twice it counts once").isEqualTo(sheet);
    assertThat(again.get("given").get("holds").asBoolean()).as("it says so").isFalse();
    assertThat(practice.text(file + "ics")).isEqualTo(calendar);
    assertThat(practice.text(file + "pdf?paper=LETTER")).startsWith("%PDF");

    give(given, UUID.randomUUID(), "SHORT_FORM", "EN");
    JsonNode all = practice.get(given).body();
    assertThat(all.size()).isEqualTo(2);
    assertThat(all.get(0).get("way").asString()).isEqualTo("PRINTED");
    assertThat(all.get(0).get("who").asString()).isNotBlank();
    assertThat(all.get(1).get("holds").asBoolean()).isTrue();
    telephone("");
  }

  /// What was said of the home plan is answered as the sheet then shows it, and is taken back.
  @Test
  void whatTheClientHasAtHomeIsAnsweredAsTheSheetShowsIt() {
    String aftercare =
        "/api/visits/" + practice.visit("Sunniva Brekke").get("id").asString() + "/aftercare";
    JsonNode before = practice.get(aftercare).body().at("/sheet/home");
    for (String said : List.of("\"BOUGHT\"", "\"DECLINED\"", "null")) {
      Answer answer = practice.put(aftercare + "/home-plan/CREAM", "{\"having\":" + said + "}");
      assertThat(answer.status()).isEqualTo(200);
      JsonNode home = practice.get(aftercare).body().at("/sheet/home");
      for (JsonNode item : home.get("items")) {
        assertThat(answer.body().get("having").path(item.get("item").asString()))
            .as("%s after %s", item.get("item"), said)
            .isEqualTo(item.path("having"));
      }
      assertThat(home.equals(before)).as(said).isEqualTo(said.equals("null"));
    }
    String planned =
        "/api/visits/" + practice.visit("Maren Holt").get("id").asString() + "/aftercare";
    assertThat(practice.put(planned + "/home-plan/CREAM", "{\"having\":\"HAS\"}").status())
        .as("before any peel")
        .isEqualTo(422);
  }

  /// The throat swelled under mandelic acid: nothing active at home, and the sheet names the acid.
  @Test
  void afterASwollenThroatOnlyBlandThingsAreGiven() {
    JsonNode visit = practice.visit("Jonas Arkwright");
    for (String fact :
        List.of(
            "{\"type\":\"SignSeen\",\"sign\":\"SWELLING_MOUTH\"}",
            "{\"type\":\"EndingStarted\"}")) {
      String event =
          "{\"id\":\"%s\",\"at\":\"%s\",\"fact\":%s}"
              .formatted(UUID.randomUUID(), Instant.now().truncatedTo(ChronoUnit.MILLIS), fact);
      Answer said =
          practice.post(
              "/api/treatments/" + visit.get("treatmentId").asString() + "/events", event);
      assertThat(said.status()).as(said.detail()).isEqualTo(200);
    }
    JsonNode sheet =
        practice.get("/api/visits/" + visit.get("id").asString() + "/aftercare?in=EN").body();
    assertThat(sheet.get("sheet").get("days").get(0).get("lines").toString())
        .contains("mandelic acid");
    JsonNode items = sheet.get("sheet").get("home").get("items");
    assertThat(items.size()).isPositive();
    for (JsonNode item : items) {
      assertThat(HomeItem.valueOf(item.get("item").asString()).active())
          .as(item.get("words").asString())
          .isFalse();
    }
    assertThat(
            sheet.get("next").get("held").asBoolean()
                || sheet.get("next").get("step").asString().equals("WAIT"))
        .as("no date before a clinician has looked")
        .isTrue();
  }

  @Test
  void aSheetOfAnotherVisitIsNotFound() {
    String own = "/api/visits/" + practice.visit("Greta Sollund").get("id").asString();
    String other = "/api/visits/" + practice.visit("Maren Holt").get("id").asString();
    UUID id = UUID.randomUUID();
    give(own + "/aftercare/given", id, "PDF", "EN");
    assertThat(practice.get(other + "/aftercare/given/" + id).status()).isEqualTo(404);
    assertThat(give(other + "/aftercare/given", UUID.randomUUID(), "PDF", "EN").status())
        .as("there is no peel yet")
        .isEqualTo(422);
    assertThat(give(own + "/aftercare/given", UUID.randomUUID(), "BY_PIGEON", "EN").status())
        .isEqualTo(400);
  }
}
