package ivesk.server.treatment;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

@Component
class HandsetStore {
  private final JdbcClient jdbc;

  HandsetStore(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /// A fresh code takes the place of those before it.
  void show(UUID treatmentId, String codeHash, Instant at) {
    drop(treatmentId);
    jdbc.sql("INSERT INTO handset (id, treatment_id, code_hash, shown_at) VALUES (?, ?, ?, ?)")
        .params(UUID.randomUUID(), treatmentId, codeHash, utc(at))
        .update();
  }

  /// Enters by a code that was shown since a time and that nobody has used.
  ///
  /// @return whether it was such a code
  boolean enter(String codeHash, String tokenHash, Instant shownSince, Instant at) {
    return jdbc.sql(
                """
                UPDATE handset SET token_hash = ?, entered_at = ?
                WHERE code_hash = ? AND token_hash IS NULL AND shown_at >= ?\
                """)
            .params(tokenHash, utc(at), codeHash, utc(shownSince))
            .update()
        == 1;
  }

  /// The treatment that a token speaks for.
  Optional<UUID> treatment(String tokenHash) {
    return jdbc.sql("SELECT treatment_id FROM handset WHERE token_hash = ?")
        .param(tokenHash)
        .query(UUID.class)
        .optional();
  }

  void drop(UUID treatmentId) {
    jdbc.sql("DELETE FROM handset WHERE treatment_id = ?").param(treatmentId).update();
  }

  private static OffsetDateTime utc(Instant instant) {
    return instant.atOffset(ZoneOffset.UTC);
  }
}
