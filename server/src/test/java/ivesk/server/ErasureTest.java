package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// What is taken out for good: a chart past its time, the made-up client of the tour.
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class ErasureTest {
  private Practice practice;
  private JdbcClient jdbc;

  @BeforeAll
  void open() {
    practice = Practice.open().signIn("marit", "harbour");
    jdbc = practice.bean(JdbcClient.class);
  }

  @AfterAll
  void close() {
    practice.close();
  }

  private UUID client(String name) {
    return jdbc.sql("SELECT id FROM client WHERE name = ?").param(name).query(UUID.class).single();
  }

  private void lastSeenYearsAgo(UUID client, int years) {
    jdbc.sql("UPDATE visit SET starts_at = DATEADD(YEAR, ?, starts_at) WHERE client_id = ?")
        .params(-years, client)
        .update();
  }

  private List<String> pastTheirTime() {
    List<String> names = new ArrayList<>();
    practice.get("/api/past-time").body().forEach(one -> names.add(one.get("name").asString()));
    return names;
  }

  /// Every column of every table that holds one of these ids; the audit trail keeps them as words.
  private List<String> left(List<UUID> ids) {
    record Column(String table, String column) {}
    List<String> left = new ArrayList<>();
    for (Column one :
        jdbc.sql(
                """
                SELECT table_name, column_name FROM INFORMATION_SCHEMA.COLUMNS
                WHERE table_schema = 'PUBLIC' AND data_type = 'UUID'\
                """)
            .query((row, n) -> new Column(row.getString(1), row.getString(2)))
            .list()) {
      for (UUID id : ids) {
        long rows =
            jdbc.sql(
                    "SELECT COUNT(*) FROM \""
                        + one.table()
                        + "\" WHERE \""
                        + one.column()
                        + "\" = ?")
                .param(id)
                .query(Long.class)
                .single();
        if (rows > 0) left.add(one.table() + "." + one.column());
      }
    }
    return left;
  }

  @Test
  void aChartPastItsTimeIsTakenOutWhole() {
    UUID greta = client("Greta Sollund");
    assertThat(pastTheirTime()).isEmpty();
    Answer kept = practice.delete("/api/past-time/" + greta);
    assertThat(kept.status()).isEqualTo(422);
    assertThat(kept.detail()).contains("must still be kept");

    lastSeenYearsAgo(greta, 11);
    assertThat(pastTheirTime()).containsExactly("Greta Sollund");
    ObjectNode details = (ObjectNode) practice.get("/api/practice").body();
    details.put("keepYears", 30);
    assertThat(practice.put("/api/practice", details.toString()).status()).isEqualTo(200);
    assertThat(pastTheirTime()).as("kept for thirty years").isEmpty();
    details.put("keepYears", 10);
    practice.put("/api/practice", details.toString());

    List<UUID> ids = new ArrayList<>(List.of(greta));
    ids.addAll(
        jdbc.sql("SELECT id FROM visit WHERE client_id = ?").param(greta).query(UUID.class).list());
    ids.addAll(
        jdbc.sql(
                "SELECT treatment.id FROM treatment JOIN visit ON visit.id = visit_id"
                    + " WHERE client_id = ?")
            .param(greta)
            .query(UUID.class)
            .list());
    String visit = practice.visit("Greta Sollund").get("id").asString();
    practice.post(
        "/api/visits/" + visit + "/aftercare/given",
        "{\"id\":\"%s\",\"way\":\"PRINTED\",\"language\":\"EN\"}".formatted(UUID.randomUUID()));
    long signatures = count("signature");
    assertThat(left(ids))
        .contains("TREATMENT_EVENT.TREATMENT_ID", "CONSENT.CLIENT_ID", "GIVEN_SHEET.VISIT_ID");
    assertThat(practice.delete("/api/past-time/" + greta).status()).isEqualTo(200);
    assertThat(left(ids)).isEmpty();
    assertThat(count("signature")).isLessThan(signatures);
    assertThat(practice.get("/api/clients/" + greta).status()).isEqualTo(404);
    JsonNode trail = practice.get("/api/audit/" + greta).body();
    assertThat(trail)
        .anyMatch(one ->
            one.get("what").asString().equals("erase chart")
                && one.get("who").asString().equals("marit"));
  }

  @Test
  void whoAsksToBeErasedLosesWhatNoLawKeeps() {
    UUID maren = client("Maren Holt");
    String at = "/api/clients/" + maren + "/erasure";
    JsonNode wish = practice.get(at).body();
    assertThat(wish.get("whole").asBoolean()).isFalse();
    LocalDate lastVisit =
        jdbc.sql("SELECT CAST(MAX(starts_at) AS DATE) FROM visit WHERE client_id = ?")
            .param(maren)
            .query(LocalDate.class)
            .single();
    assertThat(wish.get("keptUntil").asString()).isEqualTo(lastVisit.plusYears(10).toString());
    jdbc.sql(
            "INSERT INTO home_plan_item (client_id, item, standing, said_at, said_to)"
                + " VALUES (?, 'CREAM', 'HAS', CURRENT_TIMESTAMP, 'ines')")
        .param(maren)
        .update();
    long events = count("treatment_event");
    long consents = count("consent");
    Practice ines = practice.another().signIn("ines", "harbour");
    assertThat(ines.post(at, "{}").status()).as("a therapist").isEqualTo(403);
    practice.post("/api/waiting", "{\"clientId\":\"" + maren + "\",\"wish\":\"mornings\"}");
    Answer done = practice.post(at, "{}");
    assertThat(done.status()).as(done.detail()).isEqualTo(200);
    assertThat(done.body().get("whole").asBoolean()).isFalse();
    assertThat(left(List.of(maren)))
        .doesNotContain("HOME_PLAN_ITEM.CLIENT_ID", "WAITING.CLIENT_ID", "COURSE.CLIENT_ID")
        .contains("CONSENT.CLIENT_ID", "ERASURE_REQUEST.CLIENT_ID");
    assertThat(count("treatment_event")).isEqualTo(events);
    assertThat(count("consent")).isEqualTo(consents);
    JsonNode client = practice.get("/api/clients/" + maren).body();
    assertThat(client.get("occupation").asString()).isEmpty();
    assertThat(client.has("archivedOn")).isTrue();
    assertThat(practice.get(at).body().get("visitsAhead").asInt()).isZero();
    assertThat(practice.get(at).body().get("askedOn").asString())
        .isEqualTo(LocalDate.now(ZoneOffset.UTC).toString());
  }

  @Test
  void whereNothingWasDoneAllOfItGoesAtOnce() {
    String fresh =
        practice
            .post("/api/clients", "{\"name\":\"Una Brink\",\"dateOfBirth\":\"1990-02-03\"}")
            .body()
            .get("id")
            .asString();
    JsonNode wish = practice.get("/api/clients/" + fresh + "/erasure").body();
    assertThat(wish.get("whole").asBoolean()).isTrue();
    assertThat(wish.has("keptUntil")).isFalse();
    Answer done = practice.post("/api/clients/" + fresh + "/erasure", "{}");
    assertThat(done.body().get("whole").asBoolean()).isTrue();
    assertThat(left(List.of(UUID.fromString(fresh)))).isEmpty();
  }

  private long count(String table) {
    return jdbc.sql("SELECT COUNT(*) FROM " + table).query(Long.class).single();
  }

  @Test
  void whoWasAChildIsKeptFromComingOfAge() {
    UUID bruno = client("Bruno Castelmar");
    LocalDate today = LocalDate.now(ZoneOffset.UTC);
    jdbc.sql("UPDATE client SET date_of_birth = ? WHERE id = ?")
        .params(today.minusYears(27), bruno)
        .update();
    lastSeenYearsAgo(bruno, 12);
    assertThat(pastTheirTime()).as("a child of 15 then, 28 in a year").isEmpty();
    jdbc.sql("UPDATE client SET date_of_birth = ? WHERE id = ?")
        .params(today.minusYears(29), bruno)
        .update();
    assertThat(pastTheirTime()).containsExactly("Bruno Castelmar");
    practice.delete("/api/past-time/" + bruno);
  }

  @Test
  void theTourIsThrownAwayWithEverythingThatWasTried() {
    String visit = practice.post("/api/tour", "{}").body().get("visitId").asString();
    assertThat(practice.post("/api/tour", "{}").body().get("visitId").asString()).isEqualTo(visit);
    assertThat(practice.get("/api/today").body().get("tour").asString()).isEqualTo(visit);
    UUID nora = client("Nora Tryout");
    String at = "/api/visits/" + visit;
    practice.put(at + "/screening/groups", "{\"groups\":[\"BODY_NOW\"],\"rest\":\"NONE_APPLIES\"}");
    assertThat(left(List.of(UUID.fromString(visit)))).contains("SCREENING_ANSWER.VISIT_ID");
    assertThat(practice.delete("/api/tour").status()).isEqualTo(204);
    assertThat(left(List.of(nora, UUID.fromString(visit)))).isEmpty();
    assertThat(practice.get("/api/today").body().hasNonNull("tour")).isFalse();
  }
}
