package ivesk.server.data;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/// A file that was cut short may open as it stood long ago. So how far the audit trail has come is
/// written beside it, and a start after a power cut must find at least that.
@Component
class Watermark {
  private final DataFolder data;
  private final JdbcClient jdbc;
  private String written = "";

  Watermark(DataFolder data, JdbcClient jdbc) {
    this.data = data;
    this.jdbc = jdbc;
  }

  @Scheduled(fixedDelay = 5_000, initialDelay = 5_000)
  synchronized void write() throws IOException {
    String reached =
        jdbc.sql("SELECT no || ' ' || hash FROM audit_seal ORDER BY no DESC LIMIT 1")
            .query(String.class)
            .optional()
            .orElse("");
    if (reached.equals(written)) return;
    // What the mark says must be on the disk before it.
    jdbc.sql("CHECKPOINT SYNC").update();
    Path fresh = data.folder().resolve("watermark.part");
    data.writeOwn(fresh, reached);
    Files.move(fresh, data.watermark(), StandardCopyOption.ATOMIC_MOVE);
    written = reached;
  }

  /// @throws SQLException when the audit trail ends before the mark, or is another one
  static void requireReached(Connection database, DataFolder data)
      throws IOException, SQLException {
    if (!Files.exists(data.watermark())) return;
    String[] mark = Files.readString(data.watermark()).split(" ");
    if (mark.length != 2) return;
    try (PreparedStatement asked =
        database.prepareStatement("SELECT hash FROM audit_seal WHERE no = ?")) {
      asked.setLong(1, Long.parseLong(mark[0]));
      try (ResultSet found = asked.executeQuery()) {
        if (!found.next() || !found.getString(1).equals(mark[1])) {
          throw new SQLException("it is older than what was kept last; its end is missing");
        }
      }
    }
  }
}
