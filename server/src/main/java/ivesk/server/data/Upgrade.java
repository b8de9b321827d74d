package ivesk.server.data;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfoService;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.stereotype.Component;

/// Brings the tables to this version. A backup is made before, and the journal says so, so that an
/// upgrade that is cut off anywhere is put back by the next start.
@Component
class Upgrade implements FlywayMigrationStrategy {
  private static final Logger LOG = LoggerFactory.getLogger(Upgrade.class);

  private final DataFolder data;
  private final Path backups;
  private final Clock clock;

  Upgrade(DataFolder data, @Value("${ivesk.backups:}") String backups, Clock clock) {
    this.data = data;
    this.backups = Backups.folder(data, backups);
    this.clock = clock;
  }

  @Override
  public void migrate(Flyway flyway) {
    try {
      run(flyway);
    } catch (IOException | SQLException e) {
      throw new StartRefused(
          "The data could not be upgraded: " + e.getMessage() + ".",
          "They are as they were. See to it and start again.");
    }
  }

  private void run(Flyway flyway) throws IOException, SQLException {
    MigrationInfoService tables = flyway.info();
    int pending = tables.pending().length;
    if (pending == 0) {
      flyway.migrate();
      return;
    }
    DataSource database = flyway.getConfiguration().getDataSource();
    if (tables.current() != null) {
      try (Connection running = database.getConnection()) {
        Backups.Proven proven = Backups.make(data, running, backups, clock.instant());
        Journal.upgrading(data, proven.file());
        LOG.info(
            "the data are upgraded by {} steps; before it a backup was made: {}",
            pending,
            proven.file().getFileName());
      }
    }
    flyway.migrate();
    try (Connection running = database.getConnection();
        Statement asked = running.createStatement()) {
      asked.execute("CHECKPOINT SYNC");
    }
    Journal.done(data);
  }
}
