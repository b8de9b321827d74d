package ivesk.server.data;

import com.zaxxer.hikari.HikariDataSource;
import ivesk.server.app.ClosedDatabase;
import ivesk.server.app.DatabaseReopened;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/// A database whose disk took nothing more closes itself for good. It is opened anew here as soon
/// as there is room, with everything that was acknowledged in it.
@Component
class DatabaseWatch {
  private static final Logger LOG = LoggerFactory.getLogger(DatabaseWatch.class);

  private final HikariDataSource pool;
  private final DiskRoom room;
  private final ApplicationEventPublisher told;

  DatabaseWatch(HikariDataSource pool, DiskRoom room, ApplicationEventPublisher told) {
    this.pool = pool;
    this.room = room;
    this.told = told;
  }

  @Scheduled(fixedDelay = 1_000)
  void look() {
    if (!closed() || !room.enough()) return;
    pool.getHikariPoolMXBean().suspendPool();
    try {
      pool.getHikariPoolMXBean().softEvictConnections();
      told.publishEvent(new DatabaseReopened());
    } finally {
      pool.getHikariPoolMXBean().resumePool();
    }
    LOG.warn("the database had closed itself; it is {}", closed() ? "still closed" : "open again");
  }

  private boolean closed() {
    try (Connection one = pool.getConnection();
        Statement asked = one.createStatement()) {
      asked.execute("SELECT 1 FROM practice");
      return false;
    } catch (SQLException e) {
      return ClosedDatabase.isBehind(e);
    }
  }
}
