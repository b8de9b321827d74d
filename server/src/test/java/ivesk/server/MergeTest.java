package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.Language;
import ivesk.server.Practice.Answer;
import ivesk.server.client.Client;
import ivesk.server.data.Archive;
import ivesk.server.data.Archive.Form;
import ivesk.server.data.ArchiveFormat.Bearer;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
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

/// Two charts of one person.
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class MergeTest {
  private Practice practice;

  @BeforeAll
  void open() {
    practice = Practice.open().signIn("ines", "harbour");
  }

  @AfterAll
  void close() {
    practice.close();
  }

  /// Forgetting one does harm: the words of both charts stay, whatever they deny.
  @Test
  void whatEitherChartSaysOfAllergiesStays() {
    Client client =
        Client.named(UUID.randomUUID(), "Ona Vik", LocalDate.of(1990, 1, 2), "", "", Language.EN);
    Client one = client.allergicOnlyTo("not allergic to aspirin; latex");
    assertThat(one.allergicTo("aspirin").allergies())
        .isEqualTo("not allergic to aspirin; latex; aspirin");
    assertThat(one.allergicTo("Latex ; aspirin").allergies())
        .as("the same words once")
        .isEqualTo("not allergic to aspirin; latex; aspirin");
  }

  private String added(String name, String born, String allergies) {
    return practice
        .post(
            "/api/clients",
            "{\"name\":\""
                + name
                + "\",\"dateOfBirth\":\""
                + born
                + "\",\"allergies\":\""
                + allergies
                + "\",\"comforts\":[\"CLOSED_IN\"]}")
        .body()
        .get("id")
        .asString();
  }

  /// All of a client as the file has it.
  private String file(String client) {
    return file(practice.bean(Archive.class), client);
  }

  private static String file(Archive archive, String client) {
    Optional<UUID> one = Optional.of(UUID.fromString(client));
    return new String(Practice.file(archive, Form.JSON, one), StandardCharsets.UTF_8);
  }

  /// Rows of some tables, one a line.
  private static List<String> rows(String file, String... tables) {
    return List.of(tables).stream()
        .map(table -> file.substring(file.indexOf("{\"table\":\"" + table + "\"")))
        .map(rest -> rest.substring(0, rest.indexOf("]}")))
        .flatMap(String::lines)
        .toList();
  }

  private long visits(String client) {
    return practice.get("/api/clients/" + client + "/visits").body().size();
  }

  @Test
  void whatWasOfTwoIsOfOneAndGoesBackAsItWas() throws Exception {
    String kept = practice.client("Maren Holt");
    String other = practice.client("Yara Minhas");
    String before = file(kept);
    String othersBefore = file(other);
    long visits = visits(kept);
    long others = visits(other);
    assertThat(others).isPositive();

    JsonNode would = practice.get("/api/clients/" + kept + "/joined/" + other).body();
    assertThat(would.get("moved").get("visit").asLong()).isEqualTo(others);
    assertThat(would.has("refused")).as(would.toString()).isFalse();
    Answer joined = practice.post("/api/clients/" + kept + "/joined/" + other, "{}");
    assertThat(joined.status()).as(joined.detail()).isEqualTo(200);
    assertThat(visits(kept)).isEqualTo(visits + others);
    assertThat(visits(other)).isZero();
    assertThat(joined.body().get("comforts").toString()).contains("CLOSED_IN");
    JsonNode away = practice.get("/api/clients/" + other).body();
    assertThat(away.get("joinedInto").asString()).isEqualTo(kept);
    assertThat(away.has("archivedOn")).isTrue();
    String both = file(kept);
    assertThat(both).as("the file of one holds both").contains("Yara Minhas");
    try (ConfigurableApplicationContext elsewhere = Practice.start("start")) {
      Archive there = elsewhere.getBean(Archive.class);
      there.take(new ByteArrayInputStream(both.getBytes(StandardCharsets.UTF_8)), Bearer.OF_ALL);
      assertThat(file(there, kept)).isEqualTo(both);
    }

    for (Answer refused :
        List.of(
            practice.put("/api/clients/" + other + "/archived", "{\"archived\":false}"),
            practice.post("/api/waiting", "{\"clientId\":\"" + other + "\",\"wish\":\"\"}"),
            practice.post("/api/clients/" + kept + "/joined/" + other, "{}"),
            practice.post("/api/clients/" + practice.client("Oumar") + "/joined/" + kept, "{}"))) {
      assertThat(refused.status()).isEqualTo(422);
      assertThat(refused.detail()).contains("Nothing was written");
    }

    JsonNode standing = practice.get("/api/clients/" + kept + "/joined").body().get(0);
    assertThat(standing.get("who").asString()).isEqualTo("Ines Kov");
    String id = standing.get("id").asString();
    assertThat(practice.delete("/api/joined/" + id).status()).isEqualTo(200);
    assertThat(practice.delete("/api/joined/" + id).status()).isEqualTo(404);
    String[] theirs = {
      "visit", "consent", "treatment_event", "outside_peel", "score_sheet", "screening_answer"
    };
    assertThat(rows(file(kept), theirs)).isEqualTo(rows(before, theirs));
    assertThat(rows(file(other), theirs)).isEqualTo(rows(othersBefore, theirs));
    JsonNode back = practice.get("/api/clients/" + other).body();
    assertThat(back.has("joinedInto") || back.has("archivedOn")).isFalse();
    assertThat(practice.get("/api/clients/" + kept).body().get("comforts").toString())
        .doesNotContain("CLOSED_IN");
    assertThat(practice.get("/api/audit/" + other).body())
        .extracting(one -> one.get("what").asString())
        .contains("join charts", "take charts apart");
  }

  /// Two visits of one day cannot both be peels; said before the charts are joined.
  @Test
  void peelsThatAreBookedTooNearAreNamed() {
    String kept = practice.client("Sunniva Brekke");
    String other = practice.client("Jonas Arkwright");
    String at = "/api/clients/%s/courses";
    for (String client : List.of(kept, other)) {
      JsonNode wish = practice.get(at.formatted(client)).body().get("proposal");
      assertThat(practice.post(at.formatted(client), wish.toString()).status()).isEqualTo(200);
    }
    JsonNode would = practice.get("/api/clients/" + kept + "/joined/" + other).body();
    assertThat(would.get("near").get(0).asString())
        .containsPattern("^[A-Z]+-\\d+ on .+ and [A-Z]+-\\d+ on .+ are nearer than \\d+ days$");
    JsonNode alone =
        practice.get("/api/clients/" + kept + "/joined/" + practice.client("Oumar")).body();
    assertThat(alone.get("near")).isEmpty();
  }

  @Test
  void allergiesOfBothHoldAndWhatIsThereTwiceStays() {
    String kept = added("Ase Lund", "1980-05-06", "nickel");
    String other = added("Åse Lund", "1980-05-06", "penicillin, nickel");
    JdbcClient jdbc = practice.bean(JdbcClient.class);
    for (String client : List.of(kept, other)) {
      for (String item : List.of("CREAM", client)) {
        jdbc.sql(
                "INSERT INTO home_plan_item (client_id, item, standing, said_at, said_to)"
                    + " VALUES (?, ?, 'HAS', CURRENT_TIMESTAMP, 'ines')")
            .params(UUID.fromString(client), item.substring(0, 5))
            .update();
      }
    }
    JsonNode would = practice.get("/api/clients/" + kept + "/joined/" + other).body();
    assertThat(would.get("moved").get("home_plan_item").asLong()).isEqualTo(1);
    assertThat(would.get("stays").get("home_plan_item").asLong()).isEqualTo(1);
    JsonNode both = practice.post("/api/clients/" + kept + "/joined/" + other, "{}").body();
    assertThat(both.get("allergies").asString()).isEqualTo("nickel; penicillin, nickel");
    practice.put(
        "/api/clients/" + kept,
        "{\"version\":"
            + both.get("version")
            + ",\"client\":{\"name\":\"Ase Lund\",\"dateOfBirth\":\"1980-05-06\","
            + "\"allergies\":\"nickel; penicillin, nickel; latex\"}}");
    String id =
        practice.get("/api/clients/" + other + "/joined").body().get(0).get("id").asString();
    practice.delete("/api/joined/" + id);
    assertThat(practice.get("/api/clients/" + kept).body().get("allergies").asString())
        .as("told since, and never forgotten")
        .contains("latex");
    assertThat(
            jdbc.sql("SELECT COUNT(*) FROM home_plan_item WHERE client_id = ?")
                .param(UUID.fromString(other))
                .query(Long.class)
                .single())
        .isEqualTo(2);
  }

  @Test
  void anOpenTreatmentKeepsChartsApart() {
    String onTheCouch =
        practice
            .bean(JdbcClient.class)
            .sql(
                "SELECT client_id FROM visit JOIN treatment ON visit.id = visit_id"
                    + " WHERE closed_at IS NULL LIMIT 1")
            .query(UUID.class)
            .single()
            .toString();
    String oumar = practice.client("Oumar");
    for (String path : List.of(onTheCouch + "/joined/" + oumar, oumar + "/joined/" + onTheCouch)) {
      Answer refused = practice.post("/api/clients/" + path, "{}");
      assertThat(refused.status()).isEqualTo(422);
      assertThat(refused.detail()).contains("is open. End and sign it");
    }
    assertThat(practice.get("/api/clients/" + oumar + "/joined").body()).isEmpty();
    assertThat(practice.post("/api/clients/" + oumar + "/joined/" + oumar, "{}").detail())
        .contains("It is the same chart");
  }
}
