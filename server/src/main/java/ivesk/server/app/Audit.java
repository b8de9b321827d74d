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

  /// @param subject id of what it is about, or its code
  public void note(String who, String what, Object subject) {
    note(who, what, subject, "");
  }

  /// @param subject ids of what it is about
  /// @param details what was said of it
  public void note(String who, String what, Object subject, String details) {
    jdbc.sql("INSERT INTO audit (at, who, what, subject, details) VALUES (?, ?, ?, ?, ?)")
        .params(
            OffsetDateTime.now(clock),
            who,
            what,
            cut(String.valueOf(subject), 400),
            cut(details, 1000))
        .update();
  }

  private static String cut(String words, int most) {
    return words.length() > most ? words.substring(0, most) : words;
  }

  /// @param details what was said of it; may be empty
  public record Entry(Instant at, String who, String what, String details) {}

  /// The newest entries about something, by its id.
  List<Entry> about(UUID id) {
    return jdbc.sql("SELECT * FROM audit WHERE subject LIKE ? ORDER BY id DESC LIMIT 200")
        .param("%" + id + "%")
        .query((row, n) ->
            new Entry(
                row.getObject("at", OffsetDateTime.class).toInstant(),
                row.getString("who"),
                row.getString("what"),
                row.getString("details")))
        .list();
  }
}
