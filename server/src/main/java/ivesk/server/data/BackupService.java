package ivesk.server.data;

import ivesk.server.app.Audit;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/// Backs up every night, and when it is asked: by the page, or by `./ivesk backup` through a file
/// in the data folder, since the database is open here and nowhere else.
@Component
public class BackupService {
  private static final Logger LOG = LoggerFactory.getLogger(BackupService.class);
  private static final LocalTime NIGHT = LocalTime.of(2, 0);
  private static final Duration OLD = Duration.ofDays(3);

  private final DataFolder data;
  private final DataSource database;
  private final Path folder;
  private final Audit audit;
  private final Clock clock;
  private final AtomicBoolean busy = new AtomicBoolean();
  private volatile Optional<String> failed = Optional.empty();

  BackupService(
      DataFolder data,
      DataSource database,
      @Value("${ivesk.backups:}") String folder,
      Audit audit,
      Clock clock) {
    this.data = data;
    this.database = database;
    this.folder = Backups.folder(data, folder);
    this.audit = audit;
    this.clock = clock;
  }

  /// @throws IOException with what is wrong
  public synchronized Backups.Proven backUp(String who) throws IOException {
    try (Connection running = database.getConnection()) {
      Backups.Proven proven = Backups.make(data, running, folder, clock.instant());
      Backups.rotate(folder);
      failed = Optional.empty();
      audit.note(
          who,
          "backup",
          "practice",
          proven.file().getFileName() + ", " + proven.allRows() + " rows read back");
      return proven;
    } catch (SQLException e) {
      throw new IOException(e.getMessage(), e);
    } catch (IOException e) {
      failed = Optional.of(e.getMessage());
      throw e;
    }
  }

  public Path folder() {
    return folder;
  }

  public Optional<Path> newest() throws IOException {
    return BackupFiles.newest(folder);
  }

  /// What somebody should know of the backups; empty while all is well.
  public Optional<String> notice() {
    if (failed.isPresent()) return Optional.of("The last backup failed: " + failed.get());
    try {
      Optional<Instant> newest = newest().flatMap(BackupFiles::madeAt);
      return newest
          .filter(made -> made.isBefore(clock.instant().minus(OLD)))
          .map(made ->
              "The newest backup is "
                  + Duration.between(made, clock.instant()).toDays()
                  + " days old");
    } catch (IOException e) {
      return Optional.of("The backups cannot be read: " + e.getMessage());
    }
  }

  /// Every night at 2, or as soon as Ivesk runs again after it.
  @Scheduled(fixedDelay = 60_000, initialDelay = 60_000)
  void nightly() throws IOException {
    Instant tonight = LocalDate.now(clock).atTime(NIGHT).atZone(clock.getZone()).toInstant();
    Instant due = clock.instant().isBefore(tonight) ? tonight.minus(Duration.ofDays(1)) : tonight;
    boolean made =
        newest().flatMap(BackupFiles::madeAt).filter(at -> !at.isBefore(due)).isPresent();
    if (!made)
      apart(() -> {
        try {
          backUp("server");
        } catch (IOException e) {
          LOG.error("the nightly backup failed: {}", e.getMessage());
        }
      });
  }

  /// On a thread of its own: clocks and followers do not wait for a backup.
  private void apart(Runnable work) {
    if (!busy.compareAndSet(false, true)) return;
    Thread.ofVirtual()
        .name("backup")
        .start(() -> {
          try {
            work.run();
          } finally {
            busy.set(false);
          }
        });
  }

  /// What `./ivesk backup` asks for while this server holds the database.
  @Scheduled(fixedDelay = 1000)
  void asked() throws IOException {
    Path wish = data.folder().resolve("backup-wanted");
    if (!Files.exists(wish)) return;
    apart(() -> answer(wish));
  }

  private void answer(Path wish) {
    try {
      Files.deleteIfExists(wish);
      String answer;
      try {
        Backups.Proven proven = backUp("terminal");
        answer =
            proven.file()
                + "\n"
                + proven.bytes()
                + " bytes, "
                + proven.allRows()
                + " rows read back";
      } catch (IOException e) {
        answer = "failed\n" + e.getMessage();
      }
      Path writing = data.folder().resolve("backup-done.part");
      Files.writeString(writing, answer);
      Files.move(writing, data.folder().resolve("backup-done"));
    } catch (IOException e) {
      LOG.error("the asked backup could not be answered: {}", e.getMessage());
    }
  }
}
