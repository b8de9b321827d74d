package ivesk.server.records;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

@Component
class AddendumStore {
  private final JdbcClient jdbc;

  AddendumStore(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  enum Kind {
    CORRECTION,
    /// What became of an incident.
    FOLLOW_UP
  }

  /// @param who account that added it
  record Kept(UUID id, UUID visitId, Kind kind, String why, String words, Instant at, String who) {}

  void add(Kept addendum) {
    jdbc.sql(
            "INSERT INTO addendum (id, visit_id, kind, why, words, at, who)"
                + " VALUES (?, ?, ?, ?, ?, ?, ?)")
        .params(
            addendum.id(),
            addendum.visitId(),
            addendum.kind().name(),
            addendum.why(),
            addendum.words(),
            addendum.at().atOffset(ZoneOffset.UTC),
            addendum.who())
        .update();
  }

  /// The oldest first.
  List<Kept> of(UUID visitId) {
    return jdbc.sql("SELECT * FROM addendum WHERE visit_id = ? ORDER BY at, id")
        .param(visitId)
        .query((row, n) ->
            new Kept(
                row.getObject("id", UUID.class),
                row.getObject("visit_id", UUID.class),
                Kind.valueOf(row.getString("kind")),
                row.getString("why"),
                row.getString("words"),
                row.getObject("at", OffsetDateTime.class).toInstant(),
                row.getString("who")))
        .list();
  }

  void erase(List<UUID> visits) {
    if (visits.isEmpty()) return;
    jdbc.sql("DELETE FROM addendum WHERE visit_id IN (:ids)").param("ids", visits).update();
  }
}
