package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.app.Audit;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/// Every question that the desk and the couch ask reaches its rows by an index: none reads a table
/// from end to end that grows with the years. The database keeps what was asked while a whole day
/// of the practice is read and written, and says how it would find it.
class QueryPlansTest {
  /// Tables of a few rows, whatever a practice grows to.
  private static final Set<String> SMALL =
      Set.of(
          "ACCOUNT",
          "CLINICIAN_OPENING",
          "CLOSED_DAY",
          "KNOWN_DEVICE",
          "CARE_LOT",
          "CARE_PRODUCT",
          "LOT",
          "POLICY",
          "PRACTICE",
          "PRACTICE_NUMBER",
          "PRODUCT",
          "PRODUCT_KIND",
          "TOUR");

  /// A table and how it is gone through: "INDEX: condition", or without one where all of it is
  /// read.
  private static final Pattern ACCESS =
      Pattern.compile("\"PUBLIC\"\\.\"([A-Z_]+)\"(?: \"[A-Z]+\")? /\\* PUBLIC\\.([^*]+?) \\*/");

  @Test
  void everyQuestionReachesItsRowsByAnIndex() {
    try (Practice practice = Practice.open().signIn("ines", "harbour")) {
      JdbcClient jdbc = practice.bean(JdbcClient.class);
      jdbc.sql("SET QUERY_STATISTICS_MAX_ENTRIES 2000").update();
      jdbc.sql("SET QUERY_STATISTICS TRUE").update();
      aDay(practice);
      List<String> asked =
          jdbc
              .sql("SELECT sql_statement FROM INFORMATION_SCHEMA.QUERY_STATISTICS")
              .query(String.class)
              .list()
              .stream()
              .filter(sql -> !sql.contains("INFORMATION_SCHEMA") && !sql.startsWith("SET "))
              .filter(sql -> sql.stripLeading().matches("(?s)(SELECT|UPDATE|DELETE) .*"))
              .toList();
      Map<String, String> plans = new TreeMap<>();
      for (String sql : asked) {
        plans.putIfAbsent(
            oneLine(sql).replaceAll("IN \\(\\?.*?\\)", "IN (?)"), oneLine(plan(jdbc, sql)));
      }
      plans.forEach((sql, plan) -> System.out.println(sql + " -> " + ways(plan)));
      assertThat(plans).as("questions of a day").hasSizeGreaterThan(45);
      List<String> scans = new ArrayList<>();
      plans.forEach((sql, plan) ->
          ways(plan).stream()
              .filter(Way::readsAll)
              .filter(way -> !SMALL.contains(way.table()) && !plan.contains("direct lookup"))
              .filter(way -> !(plan.contains("FETCH FIRST") && plan.contains("index sorted")))
              .forEach(way -> scans.add(way.table() + " from end to end: " + sql)));
      assertThat(scans).isEmpty();
    }
  }

  private record Way(String table, String by) {
    boolean readsAll() {
      return !by.contains(":");
    }
  }

  private static List<Way> ways(String plan) {
    return ACCESS
        .matcher(plan)
        .results()
        .map(found -> new Way(found.group(1), found.group(2)))
        .toList();
  }

  private static String plan(JdbcClient jdbc, String sql) {
    return jdbc.sql("EXPLAIN " + sql)
        .params(new ArrayList<>(Collections.nCopies(parameters(sql), null)))
        .query(String.class)
        .single();
  }

  private static int parameters(String sql) {
    return (int) sql.replaceAll("'[^']*'", "").chars().filter(one -> one == '?').count();
  }

  private static String oneLine(String words) {
    return words.replaceAll("\\s+", " ").strip();
  }

  private static void aDay(Practice practice) {
    for (String path :
        List.of(
            "/api/today",
            "/api/today?day=2030-01-01",
            "/api/clients",
            "/api/clients?find=ma",
            "/api/clients?find=ma+ol",
            "/api/clients?archived=true",
            "/api/self",
            "/api/people",
            "/api/shelf")) {
      practice.get(path);
    }
    JsonNode clients = practice.get("/api/clients").body().get("clients");
    practice.signIn("marit", "harbour").get("/api/past-time");
    practice.signIn("ines", "harbour");
    practice.get("/api/clients?after=" + clients.get(3).get("id").asString());
    for (JsonNode client : clients) {
      String id = client.get("id").asString();
      practice.get("/api/clients/" + id);
      practice.get("/api/audit/" + id);
      practice.get("/api/clients/" + id + "/consents");
      practice.get("/api/clients/" + id + "/patch-tests");
      practice.get("/api/clients/" + id + "/outside-peels");
      for (JsonNode visit : practice.get("/api/clients/" + id + "/visits").body()) {
        String at = "/api/visits/" + visit.get("id").asString();
        for (String station : List.of("", "/consult", "/screening", "/selection", "/plan")) {
          practice.get(at + station);
        }
        practice.get(at + "/aftercare");
        practice.put(at + "/screening/PREGNANT", "{\"choice\":\"NO\"}");
        if (!visit.hasNonNull("treatmentId")) continue;
        String treatment = "/api/treatments/" + visit.get("treatmentId").asString();
        practice.get(treatment);
        practice.post(
            treatment + "/events",
            "{\"id\":\"%s\",\"at\":\"%s\",\"fact\":{\"type\":\"NoteWritten\",\"text\":\"calm\"}}"
                .formatted(UUID.randomUUID(), java.time.Instant.now()));
      }
    }
    String day = LocalDate.now(ZoneOffset.UTC).plusDays(1).toString();
    String added =
        practice
            .post(
                "/api/visits",
                "{\"clientId\":\"%s\",\"startsAt\":\"%sT10:00:00Z\",\"room\":\"Room 1\"}"
                    .formatted(clients.get(0).get("id").asString(), day))
            .body()
            .get("id")
            .asString();
    practice.put(
        "/api/visits/" + added + "/booking",
        "{\"startsAt\":\"%sT11:00:00Z\",\"minutes\":45,\"room\":\"Room 1\"}".formatted(day));
    practice.post("/api/visits/" + added + "/cancellation", "{\"why\":\"ill\"}");
    practice.bean(Audit.class).seal();
  }
}
