package ivesk.server.visit;

import ivesk.server.app.Problems.NotFound;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Clients who wait for a slot.
@Component
public class WaitingStore {
  private static final int MOST_SHOWN = 50;

  private final JdbcClient jdbc;

  WaitingStore(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /// @param wish when it would suit, in words
  record Waiting(UUID id, UUID clientId, Instant since, String wish) {}

  void add(Waiting one, String who) {
    jdbc.sql("INSERT INTO waiting (id, client_id, since, wish, who) VALUES (?, ?, ?, ?, ?)")
        .params(one.id(), one.clientId(), one.since().atOffset(ZoneOffset.UTC), one.wish(), who)
        .update();
  }

  /// The longest waiting first; at most fifty.
  List<Waiting> all() {
    return jdbc.sql("SELECT * FROM waiting ORDER BY since, id LIMIT " + MOST_SHOWN)
        .query(WaitingStore::waiting)
        .list();
  }

  Waiting get(UUID id) {
    return jdbc.sql("SELECT * FROM waiting WHERE id = ?")
        .param(id)
        .query(WaitingStore::waiting)
        .optional()
        .orElseThrow(() -> new NotFound("waiting client", id));
  }

  private static Waiting waiting(ResultSet row, int n) throws SQLException {
    return new Waiting(
        row.getObject("id", UUID.class),
        row.getObject("client_id", UUID.class),
        row.getObject("since", OffsetDateTime.class).toInstant(),
        row.getString("wish"));
  }

  void remove(UUID id) {
    jdbc.sql("DELETE FROM waiting WHERE id = ?").param(id).update();
  }

  public void erase(UUID clientId) {
    jdbc.sql("DELETE FROM waiting WHERE client_id = ?").param(clientId).update();
  }
}
