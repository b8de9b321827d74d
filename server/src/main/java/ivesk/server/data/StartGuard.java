package ivesk.server.data;

import ivesk.server.app.Audit;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.support.DefaultListableBeanFactory;
import org.springframework.boot.context.event.ApplicationEnvironmentPreparedEvent;
import org.springframework.boot.context.event.ApplicationPreparedEvent;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEvent;
import org.springframework.context.ApplicationListener;
import org.springframework.core.env.ConfigurableEnvironment;
import org.springframework.core.env.MapPropertySource;

/// Before the database is opened: the folder is this account's alone, nobody else runs on it, what
/// was cut off is finished or undone, and its file is whole. Only a file that cannot be read, or
/// that ends before its watermark, is refused: it is left as it is, and the backup that fits is
/// named.
public class StartGuard implements ApplicationListener<ApplicationEvent> {
  /// Up to this size a file is copied and read through where nobody knows that it is whole, and
  /// sealed when it is closed.
  private long readThroughBytes;

  private static final Logger LOG = LoggerFactory.getLogger(StartGuard.class);

  private static final DateTimeFormatter UNTIL =
      DateTimeFormatter.ofPattern("EEE d MMM uuuu, HH:mm 'UTC'", Locale.UK)
          .withZone(ZoneOffset.UTC);

  private final List<String> notes = new ArrayList<>();
  private DataFolder data;
  private Path backups;
  private FileChannel channel;
  private FileLock lock;

  @Override
  public void onApplicationEvent(ApplicationEvent event) {
    try {
      switch (event) {
        case ApplicationEnvironmentPreparedEvent prepared -> guard(prepared.getEnvironment());
        case ApplicationPreparedEvent prepared ->
            hold((DefaultListableBeanFactory) prepared.getApplicationContext().getBeanFactory());
        case ApplicationReadyEvent ready -> data.closeToOthers(data.database());
        default -> {}
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private void hold(DefaultListableBeanFactory beans) {
    notes.forEach(LOG::warn);
    beans.registerSingleton("dataFolder", data);
    // The first that is registered goes last, after the pool of connections.
    beans.registerDisposableBean("dataSeal", this::sealAndRelease);
  }

  private void guard(ConfigurableEnvironment environment) throws IOException {
    if (data != null) return;
    readThroughBytes = environment.getProperty("ivesk.read-through-mb", Long.class, 256L) << 20;
    notes.clear();
    Path folder = Path.of(environment.getProperty("ivesk.data", "./data/practice"));
    Optional<String> key = FileKey.given(environment.getProperty("ivesk.key-file"));
    DataFolder given = new DataFolder(folder.toAbsolutePath().normalize(), key);
    backups = Backups.folder(given, environment.getProperty("ivesk.backups", ""));
    given.makeFolder();
    takeLock(given);
    try {
      Journal.settle(given, backups).ifPresent(notes::add);
      data = check(given);
    } catch (StartRefused | IOException e) {
      unlock();
      throw e;
    }
    environment
        .getPropertySources()
        .addFirst(
            new MapPropertySource(
                "ivesk-data",
                Map.of(
                    "spring.datasource.url",
                    data.url() + ";WRITE_DELAY=0;DB_CLOSE_ON_EXIT=FALSE",
                    "spring.datasource.username",
                    DatabaseFile.USER,
                    "spring.datasource.password",
                    data.password())));
  }

  private void takeLock(DataFolder given) throws IOException {
    channel = FileChannel.open(given.lock(), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
    try {
      lock = channel.tryLock();
    } catch (OverlappingFileLockException sameProcess) {
      lock = null;
    }
    if (lock == null) {
      channel.close();
      throw new StartRefused(
          "Another Ivesk runs on the data in " + given.folder() + ".",
          "Close it first, or choose other data. Nothing was changed.");
    }
  }

  private DataFolder check(DataFolder given) throws IOException {
    DataFolder whole = given;
    switch (given.kind()) {
      case NONE -> {
        if (BackupFiles.heldPractice(given, backups)) throw damaged(given, "is missing");
        Journal.creating(given);
        given.makeAccess(given.access());
        return given;
      }
      case EMPTY -> throw damaged(given, "is empty");
      case NO_DATABASE -> throw damaged(given, "is no database");
      case PLAIN -> whole = new DataFolder(given.folder(), Optional.empty());
      case CIPHER -> {
        if (given.fileKey().isEmpty()) {
          whole = new DataFolder(given.folder(), Optional.of(FileKey.asked()));
        }
      }
    }
    try {
      if (Files.exists(whole.freshAccess())) DatabaseFile.setPassword(whole);
      if (!Seal.holds(whole)) notes.add(readCopy(whole));
      Seal.remove(whole);
      DatabaseFile.setPassword(whole);
    } catch (SQLException e) {
      if (e.getErrorCode() == FileKey.WRONG) {
        throw new StartRefused(
            "The key does not open the data in " + whole.folder() + ".",
            "Give the practice's key. Without it nobody reads these data. Nothing was changed.");
      }
      throw damaged(whole, "cannot be read: " + firstLine(e));
    }
    return whole;
  }

  private static String firstLine(SQLException e) {
    return e.getMessage().lines().findFirst().orElse("").replaceFirst(" \\[[0-9-]+]$", "");
  }

  /// The seal does not fit, after a power cut for instance: the file itself is asked.
  ///
  /// @return what was found, for the log
  private String readCopy(DataFolder data) throws IOException, SQLException {
    if (Files.size(data.database()) > readThroughBytes) {
      try (Connection database = DatabaseFile.open(data, data.database(), ";ACCESS_MODE_DATA=r")) {
        DatabaseFile.look(database);
        Watermark.requireReached(database, data);
      }
      return "the data were not closed by Ivesk; their end was looked at and is there";
    }
    Path copies = Journal.Working.CHECK.folder(data);
    Path copy = copies.resolve("ivesk.mv.db");
    try {
      Files.copy(data.database(), copy);
      try (Connection database = DatabaseFile.open(data, copy, "")) {
        Map<String, Long> rows = DatabaseFile.readThrough(database);
        Watermark.requireReached(database, data);
        return "the data were not closed by Ivesk; they were read through: "
            + DatabaseFile.count(rows)
            + " rows. "
            + chain(database, rows);
      }
    } finally {
      BackupFiles.deleteAll(copies);
    }
  }

  /// A chain that is broken is told, and `./ivesk verify` tells it again; the practice opens all
  /// the same, since what is readable is there.
  private static String chain(Connection database, Map<String, Long> rows) {
    if (!rows.containsKey("AUDIT_SEAL")) return "";
    try {
      return Audit.verify(database);
    } catch (SQLException e) {
      return "But " + e.getMessage() + ".";
    }
  }

  private StartRefused damaged(DataFolder data, String how) throws IOException {
    Optional<Path> newest = BackupFiles.newest(backups);
    return new StartRefused(
        "The practice's data are damaged: " + data.database() + " " + how + ".",
        newest
            .map(backup ->
                "The newest backup reaches until "
                    + BackupFiles.madeAt(backup).map(UNTIL::format).orElseThrow()
                    + "; what was entered after it would be lost: ./ivesk restore "
                    + backup
                    + " (the damaged file is kept).")
            .orElse(
                "There is no backup in "
                    + backups
                    + ". The file is left as it is; ask for help before anything else."));
  }

  /// Once the pool is closed nothing new comes. What a request still holds is closed with the
  /// database; what the file is then is what the next start must find.
  private void sealAndRelease() throws IOException {
    DataFolder closed = data;
    if (Files.exists(closed.database())) {
      closed.closeToOthers(closed.database());
      try {
        DatabaseFile.shutDown(closed);
        if (Files.size(closed.database()) <= readThroughBytes) Seal.write(closed);
      } catch (SQLException e) {
        LOG.warn("the data were not sealed: {}; the next start reads them through", firstLine(e));
      }
    }
    data = null;
    unlock();
  }

  private void unlock() throws IOException {
    if (lock != null && lock.isValid()) lock.release();
    if (channel != null) channel.close();
  }
}
