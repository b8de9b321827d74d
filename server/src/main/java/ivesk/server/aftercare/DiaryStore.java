package ivesk.server.aftercare;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

@Component
class DiaryStore {
  private final JdbcClient jdbc;

  DiaryStore(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /// A new word takes the place of the one before.
  ///
  /// @param lastOn the last day on which it opens
  void make(UUID visitId, String tokenHash, Instant at, LocalDate lastOn) {
    jdbc.sql(
            "MERGE INTO diary (visit_id, token_hash, made_at, last_on) KEY (visit_id)"
                + " VALUES (?, ?, ?, ?)")
        .params(visitId, tokenHash, at.atOffset(ZoneOffset.UTC), lastOn)
        .update();
  }

  /// The visit that a word opens on a day.
  Optional<UUID> visit(String tokenHash, LocalDate today) {
    return jdbc.sql("SELECT visit_id FROM diary WHERE token_hash = ? AND last_on >= ?")
        .params(tokenHash, today)
        .query(UUID.class)
        .optional();
  }

  void erase(List<UUID> visits) {
    if (visits.isEmpty()) return;
    jdbc.sql("DELETE FROM diary WHERE visit_id IN (:ids)").param("ids", visits).update();
  }
}
