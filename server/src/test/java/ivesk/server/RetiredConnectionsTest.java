package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.jdbc.core.simple.JdbcClient;

/// The pool retires its connections after half an hour, the one that made the schema too. Every
/// table must still take writes then.
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class RetiredConnectionsTest {
  /// Rows for tables that the demo leaves empty.
  private static final Map<String, String> ROWS =
      Map.ofEntries(
          Map.entry(
              "SETTLEMENT",
              "INSERT INTO settlement (visit_id, kind, rule_id, said, words, by_whom, at)"
                  + " SELECT id, 'OVERRIDE', 'SCR-HAIR', 'waxed', 'calm', 'ines', CURRENT_TIMESTAMP"
                  + " FROM visit LIMIT 1"),
          Map.entry(
              "PLAN_STAGE",
              "INSERT INTO plan_stage (visit_id, position, formula_code)"
                  + " SELECT visit_id, 0, 'RET-1' FROM visit_plan LIMIT 1"),
          Map.entry(
              "PLAN_ZONE",
              "INSERT INTO plan_zone (visit_id, position, zone)"
                  + " SELECT visit_id, 0, 'CHIN' FROM visit_plan LIMIT 1"),
          Map.entry(
              "CLIENT_NAME_PART",
              "INSERT INTO client_name_part SELECT FALSE, 2, 'part', id FROM client LIMIT 1"),
          Map.entry(
              "CARE_PRODUCT",
              "INSERT INTO care_product (code, version, label, saved_at, saved_by)"
                  + " VALUES ('OWN-1', 1, '{}' FORMAT JSON, CURRENT_TIMESTAMP, 'ines')"),
          Map.entry(
              "CARE_LOT",
              "INSERT INTO care_lot (id, code, number, expires, units, units_left)"
                  + " VALUES (RANDOM_UUID(), 'CREAM', 'A1', CURRENT_DATE, 10, 10)"),
          Map.entry(
              "PREP_TOLD",
              "INSERT INTO prep_told (visit_id, item, kept) SELECT id, 'SUN', TRUE FROM visit LIMIT 1"),
          Map.entry(
              "TROLLEY_TICK",
              "INSERT INTO trolley_tick (visit_id, item) SELECT id, 'fan' FROM visit LIMIT 1"),
          Map.entry(
              "VISIT_SCRIPT",
              "INSERT INTO visit_script (visit_id, script, version, saved_at, saved_by)"
                  + " SELECT id, '{}' FORMAT JSON, 1, CURRENT_TIMESTAMP, 'ines' FROM visit LIMIT 1"),
          Map.entry(
              "CHECK_IN_TRY",
              "INSERT INTO check_in_try (visit_id, at, on_day, who)"
                  + " SELECT id, CURRENT_TIMESTAMP, CURRENT_DATE, 'ines' FROM visit LIMIT 1"),
          Map.entry(
              "HOME_PLAN_ITEM",
              "INSERT INTO home_plan_item (client_id, item, standing, said_at, said_to)"
                  + " SELECT id, 'CREAM', 'HAS', CURRENT_TIMESTAMP, 'ines' FROM client LIMIT 1"),
          Map.entry(
              "SCORE_SHEET",
              "INSERT INTO score_sheet (client_id, on_date, scores, version, saved_at, saved_by)"
                  + " SELECT id, CURRENT_DATE, X'7B7D', 1, CURRENT_TIMESTAMP, 'ines' FROM client"
                  + " LIMIT 1"),
          Map.entry(
              "CHART_MERGE",
              "INSERT INTO chart_merge (id, kept, other, at, who, allergies_before,"
                  + " comforts_before) SELECT RANDOM_UUID(), id, RANDOM_UUID(),"
                  + " CURRENT_TIMESTAMP, 'ines', '', '' FROM client LIMIT 1"),
          Map.entry(
              "MERGED_ROW",
              "INSERT INTO merged_row (merge_id, moved, row_key)"
                  + " SELECT id, 'visit', 'key' FROM chart_merge LIMIT 1"),
          Map.entry(
              "ERASURE_REQUEST",
              "INSERT INTO erasure_request (client_id, asked_on, who)"
                  + " SELECT id, CURRENT_DATE, 'ines' FROM client LIMIT 1"),
          Map.entry(
              "COURSE",
              "INSERT INTO course (id, client_id, region, formulas, maintenance, at_hour, minutes,"
                  + " room, therapist, made_at, made_by) SELECT RANDOM_UUID(), id, 'FACE',"
                  + " 'MAN-20', FALSE, TIME '10:00:00', 45, 'room 1', 'ines', CURRENT_TIMESTAMP,"
                  + " 'ines' FROM client LIMIT 1"),
          Map.entry(
              "COURSE_PEEL",
              "INSERT INTO course_peel (course_id, number, visit_id, formula, layers, whys)"
                  + " SELECT (SELECT id FROM course LIMIT 1), 1, id, 'MAN-20', 1, 'FIRST'"
                  + " FROM visit LIMIT 1"),
          Map.entry(
              "GIVEN_SHEET",
              "INSERT INTO given_sheet (id, visit_id, way, language, sheet, at, who)"
                  + " SELECT RANDOM_UUID(), id, 'PRINTED', 'EN', '{}' FORMAT JSON,"
                  + " CURRENT_TIMESTAMP, 'ines' FROM visit LIMIT 1"),
          Map.entry(
              "ADDENDUM",
              "INSERT INTO addendum (id, visit_id, kind, why, words, at, who)"
                  + " SELECT RANDOM_UUID(), id, 'CORRECTION', 'a', 'b', CURRENT_TIMESTAMP, 'ines'"
                  + " FROM visit LIMIT 1"),
          Map.entry(
              "WAITING",
              "INSERT INTO waiting (id, client_id, since, wish, who)"
                  + " SELECT RANDOM_UUID(), id, CURRENT_TIMESTAMP, '', 'ines' FROM client LIMIT 1"),
          Map.entry(
              "DIARY",
              "INSERT INTO diary (visit_id, token_hash, made_at, last_on)"
                  + " SELECT id, 'abc', CURRENT_TIMESTAMP, CURRENT_DATE FROM visit LIMIT 1"),
          Map.entry("TOUR", "INSERT INTO tour SELECT client_id, id FROM visit LIMIT 1"),
          Map.entry(
              "OUTSIDE_PEEL",
              "INSERT INTO outside_peel"
                  + " (id, client_id, formula, region, done_on, outcome, seen, entered_at, entered_by)"
                  + " SELECT RANDOM_UUID(), id, 'RET-1', 'FACE', CURRENT_DATE, 'AS_PLANNED', TRUE,"
                  + " CURRENT_TIMESTAMP, 'ines' FROM client LIMIT 1"),
          Map.entry(
              "RECOVERY_CODE", "INSERT INTO recovery_code (username, hash) VALUES ('ines', 'abc')"),
          Map.entry(
              "SIGN_IN",
              "INSERT INTO sign_in (id, username, token_hash, device, browser, address, since, seen) "
                  + " VALUES (RANDOM_UUID(), 'ines', 'a', 'b', '', '', CURRENT_TIMESTAMP, CURRENT_TIMESTAMP)"),
          Map.entry(
              "KNOWN_DEVICE",
              "INSERT INTO known_device (device, username, proven) VALUES ('b', 'ines', CURRENT_TIMESTAMP)"),
          Map.entry(
              "HANDSET",
              "INSERT INTO handset (id, treatment_id, code_hash, shown_at)"
                  + " SELECT RANDOM_UUID(), id, 'abc', CURRENT_TIMESTAMP FROM treatment LIMIT 1"),
          Map.entry(
              "PLAN_SOONER",
              "INSERT INTO plan_sooner (visit_id, zone, seconds)"
                  + " SELECT visit_id, 'NOSE', 60 FROM visit_plan LIMIT 1"),
          Map.entry(
              "FLAKES_TOLD",
              "INSERT INTO flakes_told (visit_id, first_day, last_day, told_at, told_to)"
                  + " SELECT visit_id, 0, 0, CURRENT_TIMESTAMP, 'ines' FROM treatment LIMIT 1"),
          Map.entry(
              "CLOSED_DAY",
              "INSERT INTO closed_day (on_date, why) VALUES (CURRENT_DATE, 'stocktaking')"));

  private Practice practice;
  private JdbcClient jdbc;

  @BeforeAll
  void retireEveryConnection() throws InterruptedException, SQLException {
    practice = Practice.open();
    jdbc = practice.bean(JdbcClient.class);
    HikariDataSource pool = practice.bean(HikariDataSource.class);
    List<String> before = sessions();
    // One at a time, as in real life: without any connection the database would close, and forget.
    try (Connection last = pool.getConnection()) {
      pool.getHikariPoolMXBean().softEvictConnections();
      for (int i = 0; i < 100 && newOnes(before) == 0; i++) Thread.sleep(50);
      assertThat(last.isValid(1)).isTrue();
    }
    for (int i = 0; i < 100 && sessions().stream().anyMatch(before::contains); i++) {
      Thread.sleep(50);
    }
    assertThat(sessions()).isNotEmpty().doesNotContainAnyElementsOf(before);
  }

  private long newOnes(List<String> before) {
    return sessions().stream().filter(session -> !before.contains(session)).count();
  }

  @AfterAll
  void close() {
    practice.close();
  }

  private List<String> sessions() {
    return jdbc.sql(
            "SELECT SESSION_ID || CAST(SESSION_START AS VARCHAR) FROM INFORMATION_SCHEMA.SESSIONS")
        .query(String.class)
        .list();
  }

  List<String> tables() {
    return jdbc.sql(
            "SELECT TABLE_NAME FROM INFORMATION_SCHEMA.TABLES WHERE TABLE_SCHEMA = 'PUBLIC'"
                + " AND TABLE_NAME <> 'flyway_schema_history' AND TABLE_NAME NOT LIKE 'AUDIT%' ORDER BY 1")
        .query(String.class)
        .list();
  }

  @ParameterizedTest
  @MethodSource("tables")
  void stillTakesWrites(String table) {
    String column =
        jdbc.sql(
                "SELECT COLUMN_NAME FROM INFORMATION_SCHEMA.COLUMNS WHERE TABLE_SCHEMA = 'PUBLIC'"
                    + " AND TABLE_NAME = ? AND IS_IDENTITY = 'NO' ORDER BY ORDINAL_POSITION LIMIT 1")
            .param(table)
            .query(String.class)
            .single();
    String update = "UPDATE " + table + " SET " + column + " = " + column;
    int written = jdbc.sql(update).update();
    if (written == 0) {
      assertThat(ROWS).as("a row for the empty table").containsKey(table);
      assertThat(jdbc.sql(ROWS.get(table)).update()).isEqualTo(1);
      written = jdbc.sql(update).update();
    }
    assertThat(written).isPositive();
  }

  @Test
  void whatIsNoneOfTheKindsIsStillRefused() {
    assertThat(
            org.assertj.core.api.Assertions.catchThrowable(
                () -> jdbc.sql("UPDATE account SET role = 'GUEST'").update()))
        .hasMessageContaining("Value not permitted");
  }
}
