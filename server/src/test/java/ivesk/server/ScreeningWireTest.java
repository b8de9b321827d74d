package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.screening.question.Question;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/// What an answer in Screen is answered with: small, and from one read of each fact.
class ScreeningWireTest {
  /// Plain JSON, bytes.
  private static final int MOST = 8_000;

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

  private static String screening(String client) {
    return "/api/visits/" + practice.visit(client).get("id").asString() + "/screening";
  }

  @Test
  void isUnderEightKilobytesForEveryClientAndAfterEveryAnswer() {
    int most = 0;
    for (JsonNode client : practice.get("/api/clients").body().get("clients")) {
      String name = client.get("name").asString();
      JsonNode state = practice.get(screening(name)).body();
      most = Math.max(most, Practice.bytes(state));
      assertThat(Practice.bytes(state)).as(name).isLessThan(MOST);
      assertThat(state.get("questions").size()).isGreaterThan(45);
    }
    String screening = screening("Adaeze Orland");
    for (JsonNode words : practice.get("/api/words/screening").body()) {
      Question question = Question.valueOf(words.get("id").asString());
      assertThat(words.get("text").asString()).isEqualTo(question.text());
      // The gravest answer: a date or a place may be missing yet, and is asked for.
      String grave = question.options().getLast().id();
      JsonNode state =
          practice.put(screening + "/" + question, "{\"choice\":\"%s\"}".formatted(grave)).body();
      most = Math.max(most, Practice.bytes(state));
      assertThat(Practice.bytes(state)).as("%s: %s", question, grave).isLessThan(MOST);
      practice.put(screening + "/" + question, "{}");
    }
    System.out.println("The largest answer in Screen: " + most + " bytes.");
  }

  /// What a question waits for is told by its id; nothing else that is missing is lost.
  @Test
  void whatWaitsForAnAnswerIsToldOnce() {
    String screening = screening("Tobiah Quill");
    practice.put(screening + "/SUN", "{}");
    JsonNode outcome = practice.get(screening).body().get("outcome");
    assertThat(outcome.get("toAsk").toString()).contains("SUN");
    assertThat(outcome.get("findings").toString()).doesNotContain("SCR-SUN:SUN\"");
    long missing =
        outcome.get("toAsk").size()
            + outcome
                .get("findings")
                .valueStream()
                .filter(f -> f.get("unasked").asBoolean())
                .count();
    assertThat(missing).isEqualTo(outcome.get("unasked").asInt());
  }

  /// Policies, the shelf and the accounts are read as they are needed: they are few rows, and the
  /// same for everybody.
  private static final List<String> OF_A_CLIENT =
      List.of(
          "CLIENT",
          "CONSULT",
          "SCREENING_ANSWER",
          "SETTLEMENT",
          "CONSENT",
          "PATCH_TEST",
          "OUTSIDE_PEEL",
          "TREATMENT");

  @Test
  void eachFactOfTheClientIsReadOnce() {
    String screening = screening("Maren Holt");
    JdbcClient jdbc = practice.bean(JdbcClient.class);
    jdbc.sql("SET QUERY_STATISTICS TRUE").update();
    assertThat(practice.get(screening).status()).isEqualTo(200);
    Map<String, Integer> reads = new HashMap<>();
    jdbc.sql("SELECT sql_statement, execution_count FROM INFORMATION_SCHEMA.QUERY_STATISTICS")
        .query((row, n) -> {
          String sql = row.getString(1).toUpperCase();
          for (String table : OF_A_CLIENT) {
            if (sql.startsWith("SELECT") && sql.matches("(?s).*FROM " + table + "\\b.*")) {
              reads.merge(table, row.getInt(2), Integer::sum);
            }
          }
          return sql;
        })
        .list();
    jdbc.sql("SET QUERY_STATISTICS FALSE").update();
    System.out.println("Reads of a client's facts: " + reads);
    assertThat(reads).containsKeys("CLIENT", "SCREENING_ANSWER", "CONSENT", "PATCH_TEST");
    assertThat(reads.values()).allMatch(times -> times == 1);
  }
}
