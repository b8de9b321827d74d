package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ivesk.core.formula.Shelf;
import ivesk.server.Practice.Answer;
import ivesk.server.data.Archive;
import ivesk.server.data.Archive.Form;
import ivesk.server.data.ArchiveFormat.Bearer;
import ivesk.server.formula.ShelfService;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// What stands in charts and is then off the rack: a product of the practice's own that is retired,
/// and a shipped one that it replaces. Every chart opens as before, and nothing new is begun with
/// it.
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class RetiredProductTest {
  private static final LocalDate TODAY = LocalDate.now(ZoneOffset.UTC);

  private Practice practice;
  private String chart;
  private String visit;
  private String course;

  @BeforeAll
  void open() {
    practice = Practice.open().signIn("ines", "harbour");
  }

  @AfterAll
  void close() {
    practice.close();
  }

  private void save(String code, String replaces) {
    for (JsonNode item : practice.get("/api/shelf").body().get("items")) {
      if (!item.get("label").get("code").asString().equals("LAC-30")) continue;
      ObjectNode label = (ObjectNode) item.get("label").deepCopy();
      label.put("code", code).put("name", "Own lactic gel");
      if (replaces != null) label.put("replaces", replaces);
      ObjectNode body = Practice.JSON.createObjectNode().put("over", 0);
      Answer saved = practice.put("/api/shelf/products", body.set("label", label).toString());
      assertThat(saved.status()).as(saved.detail()).isEqualTo(200);
    }
  }

  /// A peel elsewhere, a course, and a choice at its first visit.
  private void names(String client, String code) {
    chart = "/api/clients/" + practice.client(client);
    String peel =
        "{\"formula\":\"%s\",\"region\":\"FACE\",\"on\":\"%s\",\"outcome\":\"WELL_TAKEN\",\"seen\":true}";
    assertThat(
            practice
                .post(chart + "/outside-peels", peel.formatted(code, TODAY.minusDays(90)))
                .status())
        .isEqualTo(204);
    JsonNode booked = practice.post(chart + "/courses", wish(code)).body().get("courses").get(0);
    course = "/api/courses/" + booked.get("id").asString();
    String first = booked.get("peels").get(0).get("visitId").asString();
    visit = "/api/visits/" + first;
    practice
        .bean(JdbcClient.class)
        .sql(
            "INSERT INTO visit_plan (visit_id, formula_code, chosen_at, chosen_by)"
                + " VALUES (?, ?, CURRENT_TIMESTAMP, 'ines')")
        .params(UUID.fromString(first), code)
        .update();
  }

  private String wish(String code) {
    ObjectNode wish = (ObjectNode) practice.get(chart + "/courses").body().get("proposal");
    wish.putArray("formulas").add(code);
    return wish.put("first", TODAY.plusDays(20).toString()).put("count", 3).toString();
  }

  private void opensAsBefore(String code) {
    for (String path :
        List.of(
            chart,
            chart + "/visits",
            chart + "/courses",
            chart + "/progress",
            chart + "/progress.csv",
            chart + "/fhir",
            chart + "/archive",
            "/api/today",
            visit,
            visit + "/consult",
            visit + "/screening",
            visit + "/selection")) {
      assertThat(practice.get(path).status()).as(path).isEqualTo(200);
    }
    assertThat(practice.get(visit + "/plan").status()).isBetween(200, 204);
    Answer kept = practice.put(visit + "/plan", "");
    assertThat(kept.status()).as("nothing is begun with it: " + kept.detail()).isBetween(400, 422);
    Answer again = practice.post(chart + "/courses/placing", wish(code));
    assertThat(again.status()).isEqualTo(400);
    assertThat(again.detail()).contains(code + "' is not on the shelf");
    String move = "{\"number\":1,\"to\":\"%s\"}".formatted(TODAY.plusDays(40));
    Answer moved = practice.post(course + "/move", move);
    assertThat(moved.status()).as("what is booked moves: " + moved.detail()).isEqualTo(200);
  }

  @Test
  void ofThePracticesOwn() {
    save("OWN-LAC", null);
    names("Sunniva Brekke", "OWN-LAC");
    assertThat(practice.delete("/api/shelf/products/OWN-LAC").status()).isEqualTo(200);
    opensAsBefore("OWN-LAC");
  }

  @Test
  void replacedByOneOfThePracticesOwn() {
    names("Maren Holt", "LAC-30");
    save("NEW-LAC", "LAC-30");
    opensAsBefore("LAC-30");
    practice.delete("/api/shelf/products/NEW-LAC");
  }

  /// The file of one client, opened in a practice that never had the product.
  @Test
  void elsewhereTheClientsFileBringsIt() throws Exception {
    save("FAR-LAC", null);
    names("Yara Minhas", "FAR-LAC");
    byte[] file = practice.bytes(chart + "/archive");
    UUID client = UUID.fromString(chart.substring(chart.lastIndexOf('/') + 1));
    try (ConfigurableApplicationContext elsewhere = Practice.start("start")) {
      Archive there = elsewhere.getBean(Archive.class);
      there.take(new ByteArrayInputStream(file), Bearer.OF_ALL);
      assertThat(Practice.file(there, Form.JSON, Optional.of(client))).isEqualTo(file);
      Shelf shelf = elsewhere.getBean(ShelfService.class).shelf();
      assertThat(shelf.named("FAR-LAC").name()).isEqualTo("Own lactic gel");
      assertThat(shelf.find("FAR-LAC")).as("not on that practice's rack").isEmpty();
    }
    byte[] without =
        new String(file, StandardCharsets.UTF_8)
            .replaceAll("\n\\[\"FAR-LAC\",1,.*?,\"ines\"\\]", "")
            .getBytes(StandardCharsets.UTF_8);
    try (ConfigurableApplicationContext elsewhere = Practice.start("start")) {
      assertThatThrownBy(() ->
              elsewhere
                  .getBean(Archive.class)
                  .take(new ByteArrayInputStream(without), Bearer.OF_ALL))
          .as("nobody could say what it was")
          .hasMessageContaining("formula 'FAR-LAC' was never on the shelf");
    }
    assertThat(practice.post("/api/archive/preview", file).body().toString())
        .as("where it came from it is the same")
        .doesNotContain("\"differing\":1");
  }
}
