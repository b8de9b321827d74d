package ivesk.server.aftercare;

import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Stands in for a mail service: it keeps and shows what would be sent, and sends nothing.
@Component
class OutboxStore implements Outbox {
  private static final int MOST_SHOWN = 100;

  private final JdbcClient jdbc;

  OutboxStore(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  public void send(Message message) {
    jdbc.sql(
            "INSERT INTO outbox (id, at, visit_id, recipient, subject, body)"
                + " VALUES (?, ?, ?, ?, ?, ?)")
        .params(
            message.id(),
            message.at().atOffset(ZoneOffset.UTC),
            message.visitId(),
            message.recipient(),
            message.subject(),
            message.body())
        .update();
  }

  /// The newest first; at most a hundred.
  List<Message> newest() {
    return jdbc.sql("SELECT * FROM outbox ORDER BY at DESC, id LIMIT " + MOST_SHOWN)
        .query((row, n) ->
            new Message(
                row.getObject("id", UUID.class),
                row.getObject("at", OffsetDateTime.class).toInstant(),
                row.getObject("visit_id", UUID.class),
                row.getString("recipient"),
                row.getString("subject"),
                row.getString("body")))
        .list();
  }

  void erase(List<UUID> visits) {
    if (visits.isEmpty()) return;
    jdbc.sql("DELETE FROM outbox WHERE visit_id IN (:ids)").param("ids", visits).update();
  }
}
