package ivesk.server.app;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The audit trail: a row for every read of a chart and every write.
@Component
public class Audit {
  private final JdbcClient jdbc;
  private final Clock clock;

  Audit(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  public void note(String who, String what, Object subject) {
    String words = String.valueOf(subject);
    jdbc.sql("INSERT INTO audit (at, who, what, subject) VALUES (?, ?, ?, ?)")
        .params(
            OffsetDateTime.now(clock),
            who,
            what,
            words.length() > 400 ? words.substring(0, 400) : words)
        .update();
  }

  /// @param subject what it was about, with the ids of what it touched
  public record Entry(Instant at, String who, String what, String subject) {}

  /// The newest entries about something, by its id.
  List<Entry> about(UUID id) {
    return jdbc.sql("SELECT * FROM audit WHERE subject LIKE ? ORDER BY id DESC LIMIT 200")
        .param("%" + id + "%")
        .query((row, n) ->
            new Entry(
                row.getObject("at", OffsetDateTime.class).toInstant(),
                row.getString("who"),
                row.getString("what"),
                row.getString("subject")))
        .list();
  }
}
