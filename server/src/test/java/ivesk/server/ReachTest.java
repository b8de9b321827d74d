package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.Require;
import ivesk.server.Practice.Answer;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// Whom to call: the practice's telephone for its clients, a client's for the practice.
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class ReachTest {
  private Practice practice;

  @BeforeAll
  void open() {
    practice = Practice.open();
    practice.signIn("ines", "harbour");
  }

  @AfterAll
  void close() {
    practice.close();
  }

  private JsonNode added(String name, String more) {
    return practice
        .post(
            "/api/clients",
            "{\"name\":\"%s\",\"dateOfBirth\":\"1990-04-01\"%s}".formatted(name, more))
        .body();
  }

  private Answer change(JsonNode client, String more) {
    String id = client.get("id").asString();
    int version = practice.get("/api/clients/" + id).body().get("version").asInt();
    return practice.put(
        "/api/clients/" + id,
        "{\"client\":{\"name\":\"%s\",\"dateOfBirth\":\"1990-04-01\"%s},\"version\":%d}"
            .formatted(client.get("name").asString(), more, version));
  }

  /// Left out it stays, empty it goes, and what is no number is said.
  @Test
  void aClientsTelephoneAndMail() {
    JsonNode client =
        added("Tilde Aune", ",\"telephone\":\" 555 0187 \",\"mail\":\"tilde@place.example\"");
    assertThat(client.get("telephone").asString()).isEqualTo("555 0187");
    assertThat(change(client, "").body().get("mail").asString()).isEqualTo("tilde@place.example");
    assertThat(change(client, ",\"mail\":\"\"").body().has("mail")).isFalse();
    Answer wrong = change(client, ",\"telephone\":\"ring twice\"");
    assertThat(wrong.status()).isEqualTo(400);
    assertThat(wrong.detail()).startsWith("Telephone is 'ring twice'");
    assertThat(change(client, ",\"mail\":\"at home\"").status()).isEqualTo(400);
    assertThat(change(client, "").body().get("telephone").asString())
        .as("nothing half-written")
        .isEqualTo("555 0187");
  }

  @ParameterizedTest
  @CsvSource({
    "112, true",
    "+351 21 555 0142, true",
    "(03) 5555-0142, true",
    "1, false",
    "'', false"
  })
  void whatIsATelephone(String number, boolean is) {
    assertThat(Require.isTelephone(number)).isEqualTo(is);
  }

  /// Today, check-ins that are due, red flags, the waiting list.
  @Test
  void theTelephoneStandsWhereSomebodyIsToBeCalled() {
    JsonNode all = practice.get("/api/check-ins").body();
    List<JsonNode> lines = new ArrayList<>();
    all.get("due").forEach(lines::add);
    practice.get("/api/today").body().get("visits").forEach(lines::add);
    JsonNode waiting = added("Ivo Rask", ",\"telephone\":\"555 0188\"");
    practice.post(
        "/api/waiting",
        "{\"clientId\":\"" + waiting.get("id").asString() + "\",\"wish\":\"mornings\"}");
    practice.get("/api/waiting").body().get("waiting").forEach(lines::add);
    assertThat(lines).hasSizeGreaterThan(6);
    for (JsonNode line : lines) {
      String id = line.get("clientId").asString();
      assertThat(line.path("telephone").asString(""))
          .as(line.get("clientName").asString())
          .isEqualTo(practice.get("/api/clients/" + id).body().path("telephone").asString(""))
          .isNotEmpty();
    }
  }

  @Test
  void thePracticesTelephoneStandsOnWhatIsGiven() {
    practice.signIn("marit", "harbour");
    ObjectNode details = (ObjectNode) practice.get("/api/practice").body();
    details.put("telephone", "555 0199").put("hours", "Tue to Fri, 10:00 to 16:00");
    assertThat(practice.put("/api/practice", details.toString()).status()).isEqualTo(200);
    String visit = "/api/visits/" + practice.visit("Sunniva Brekke").get("id").asString();
    JsonNode sheet = practice.get(visit + "/aftercare?in=PT").body().get("sheet");
    String words = "O centro: 555 0199 (Tue to Fri, 10:00 to 16:00).";
    assertThat(sheet.get("call").toString()).contains(words);
    assertThat(sheet.get("brief").asString()).contains(words);
    assertThat(practice.get("/api/health").body().toString()).doesNotContain("telephone");
    details.put("telephone", "").put("hours", "");
    practice.put("/api/practice", details.toString());
    assertThat(practice.get(visit + "/aftercare?in=PT").body().get("sheet").toString())
        .doesNotContain("O centro:");
    assertThat(practice.get("/api/today").body().get("notices").toString())
        .contains("set its telephone under Practice");
    details.put("telephone", "none");
    assertThat(practice.put("/api/practice", details.toString()).status()).isEqualTo(400);
    practice.signIn("ines", "harbour");
  }

  /// The kept chart takes the other's number where it has none, and gives it back.
  @Test
  void aJoinedChartBringsItsNumber() {
    String kept = added("Runa Dahl", "").get("id").asString();
    String other = added("Runa Dahl", ",\"telephone\":\"555 0189\"").get("id").asString();
    Answer joined = practice.post("/api/clients/" + kept + "/joined/" + other, "{}");
    assertThat(joined.body().get("telephone").asString()).isEqualTo("555 0189");
    String id = practice.get("/api/clients/" + kept + "/joined").body().get(0).get("id").asString();
    practice.delete("/api/joined/" + id);
    assertThat(practice.get("/api/clients/" + kept).body().has("telephone")).isFalse();
  }
}
