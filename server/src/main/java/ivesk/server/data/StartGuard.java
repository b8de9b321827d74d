package ivesk.server.data;

import ivesk.server.app.Sha256;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.security.MessageDigest;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.Map;
import java.util.Optional;
import org.springframework.beans.factory.support.DefaultListableBeanFactory;
import org.springframework.boot.context.event.ApplicationEnvironmentPreparedEvent;
import org.springframework.boot.context.event.ApplicationPreparedEvent;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEvent;
import org.springframework.context.ApplicationListener;
import org.springframework.core.env.ConfigurableEnvironment;
import org.springframework.core.env.MapPropertySource;

/// Before the database is opened: the folder is this account's alone, nobody else runs on it, and
/// its file is whole. A file that is not is left as it is, and the backup that fits is named.
public class StartGuard implements ApplicationListener<ApplicationEvent> {
  /// Up to this size a file is copied and read through where nobody knows that it is whole, and
  /// sealed when it is closed.
  private long readThroughBytes;

  private DataFolder data;
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
    beans.registerSingleton("dataFolder", data);
    // The first that is registered goes last, after the pool of connections.
    beans.registerDisposableBean("dataSeal", this::sealAndRelease);
  }

  private void guard(ConfigurableEnvironment environment) throws IOException {
    if (data != null) return;
    readThroughBytes = environment.getProperty("ivesk.read-through-mb", Long.class, 256L) << 20;
    Path folder = Path.of(environment.getProperty("ivesk.data", "./data/practice"));
    Optional<String> key = FileKey.given(environment.getProperty("ivesk.key-file"));
    DataFolder given = new DataFolder(folder.toAbsolutePath().normalize(), key);
    given.makeFolder();
    takeLock(given);
    try {
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
    boolean sealed = Files.exists(whole.seal());
    if (sealed && !sealHolds(whole)) throw damaged(whole, "is not as Ivesk closed it");
    try {
      if (Files.exists(whole.freshAccess())) DatabaseFile.setPassword(whole);
      if (!sealed) readCopy(whole);
      Files.deleteIfExists(whole.seal());
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

  private void readCopy(DataFolder data) throws IOException, SQLException {
    if (Files.size(data.database()) > readThroughBytes) {
      try (Connection database = DatabaseFile.open(data, data.database(), ";ACCESS_MODE_DATA=r")) {
        DatabaseFile.look(database);
        Watermark.requireReached(database, data);
      }
      return;
    }
    Path copies = Files.createTempDirectory(data.folder(), "check-");
    Path copy = copies.resolve("ivesk.mv.db");
    try {
      Files.copy(data.database(), copy);
      try (Connection database = DatabaseFile.open(data, copy, "")) {
        DatabaseFile.readThrough(database);
        Watermark.requireReached(database, data);
      }
    } finally {
      Backups.deleteAll(copies);
    }
  }

  private static StartRefused damaged(DataFolder data, String how) throws IOException {
    Optional<Path> newest = Backups.newest(data.backups());
    return new StartRefused(
        "The practice's data are damaged: " + data.database() + " " + how + ".",
        newest
            .map(backup ->
                "The newest backup fits: ./ivesk restore "
                    + backup
                    + " (the damaged file is kept).")
            .orElse(
                "There is no backup in "
                    + data.backups()
                    + ". The file is left as it is; ask for help before anything else."));
  }

  /// Whether the file is what was closed last.
  private static boolean sealHolds(DataFolder data) throws IOException {
    return Files.readString(data.seal()).equals(sum(data.database()));
  }

  private static String sum(Path file) throws IOException {
    MessageDigest digest = Sha256.digest();
    try (var in = Files.newInputStream(file)) {
      byte[] buffer = new byte[1 << 16];
      for (int read = in.read(buffer); read > 0; read = in.read(buffer)) {
        digest.update(buffer, 0, read);
      }
    }
    return Files.size(file) + " " + Sha256.hex(digest);
  }

  /// After the database was closed: what it is now is what the next start must find.
  private void sealAndRelease() throws IOException {
    DataFolder closed = data;
    if (Files.exists(closed.database())) {
      closed.closeToOthers(closed.database());
      if (Files.size(closed.database()) <= readThroughBytes) {
        closed.writeOwn(closed.seal(), sum(closed.database()));
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
