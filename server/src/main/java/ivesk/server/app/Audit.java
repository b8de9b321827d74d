package ivesk.server.app;

import java.time.Clock;
import java.time.OffsetDateTime;
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
}
