package ivesk.server.plan;

import ivesk.core.plan.script.Protocol;
import ivesk.server.app.StorageMapper;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

@Component
class ProtocolStore {
  private final JdbcClient jdbc;
  private final StorageMapper storage;
  private final Clock clock;

  ProtocolStore(JdbcClient jdbc, StorageMapper storage, Clock clock) {
    this.jdbc = jdbc;
    this.storage = storage;
    this.clock = clock;
  }

  record Kept(UUID id, int version, Protocol protocol, boolean retired, Instant at, String by) {}

  /// The newest version of every protocol that is not retired.
  List<Kept> current() {
    return jdbc.sql(
            """
            SELECT * FROM protocol p
            WHERE NOT retired AND version = (SELECT MAX(version) FROM protocol WHERE id = p.id)\
            """)
        .query((row, n) -> kept(row))
        .list();
  }

  /// All versions of one, the newest first.
  List<Kept> versions(UUID id) {
    return jdbc.sql("SELECT * FROM protocol WHERE id = ? ORDER BY version DESC")
        .param(id)
        .query((row, n) -> kept(row))
        .list();
  }

  Optional<Kept> newest(UUID id) {
    return versions(id).stream().findFirst();
  }

  private Kept kept(ResultSet row) throws SQLException {
    return new Kept(
        row.getObject("id", UUID.class),
        row.getInt("version"),
        storage.read(row.getBytes("sheet"), StoredScript.Sheet.SHAPE).protocol(),
        row.getBoolean("retired"),
        row.getObject("saved_at", OffsetDateTime.class).toInstant(),
        row.getString("saved_by"));
  }

  void add(UUID id, int version, Protocol protocol, boolean retired, String who) {
    jdbc.sql(
            """
            INSERT INTO protocol (id, version, sheet, retired, saved_at, saved_by)
            VALUES (?, ?, ? FORMAT JSON, ?, ?, ?)\
            """)
        .params(
            id,
            version,
            storage.write(StoredScript.Sheet.SHAPE, StoredScript.Sheet.of(protocol)),
            retired,
            OffsetDateTime.now(clock),
            who)
        .update();
  }
}
