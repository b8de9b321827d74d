package ivesk.server.data;

import ivesk.server.app.Audit;
import java.io.IOException;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.h2.tools.ChangeFileEncryption;

/// What `./ivesk` does with a practice's data without a page: backup, restore, verify, move,
/// encrypt, doctor.
public final class Commands {
  private static final Duration PATIENCE = Duration.ofMinutes(30);
  private static final long LITTLE_MB = 1024;

  private static final DateTimeFormatter STAMP =
      DateTimeFormatter.ofPattern("uuuuMMdd-HHmmss", Locale.ROOT).withZone(ZoneOffset.UTC);

  private final DataFolder data;
  private final Path backups;
  private final Clock clock;
  private final PrintStream out;

  /// @param backups where they are kept; empty for the data's own folder
  public Commands(DataFolder data, Optional<Path> backups, Clock clock, PrintStream out) {
    this.data = data;
    this.backups = backups.orElse(data.backups());
    this.clock = clock;
    this.out = out;
  }

  /// @param options `--data`, `--backups`, `--key-file` with their values
  public static int run(String command, Optional<Path> file, Map<String, String> options) {
    PrintStream out = System.out;
    try {
      DataFolder data =
          new DataFolder(
              Path.of(options.getOrDefault("data", "data/practice")).toAbsolutePath().normalize(),
              FileKey.given(options.get("key-file")));
      Optional<Path> backups = Optional.ofNullable(options.get("backups")).map(Path::of);
      new Commands(data, backups, Clock.systemUTC(), out).run(command, file);
      return 0;
    } catch (StartRefused e) {
      System.err.println(e.getMessage());
    } catch (IOException | SQLException e) {
      System.err.println("It did not work: " + e.getMessage());
      System.err.println("The practice's data are as they were.");
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    return 2;
  }

  void run(String command, Optional<Path> file)
      throws IOException, SQLException, InterruptedException {
    if (Files.isDirectory(data.folder())) lock().ifPresent(Commands::release);
    switch (command) {
      case "backup" -> backup();
      case "restore" -> restore(file.orElseThrow(() -> missing("which backup")));
      case "verify" -> verify(file);
      case "move" -> move(file.orElseThrow(() -> missing("the file to write")));
      case "encrypt" -> encrypt();
      case "doctor" -> doctor();
      default -> throw new StartRefused("There is no command " + command + ".", "");
    }
  }

  private static StartRefused missing(String what) {
    return new StartRefused("Say " + what + ".", "Nothing was done.");
  }

  private void backup() throws IOException, SQLException, InterruptedException {
    requirePractice();
    Optional<FileChannel> free = lock();
    if (free.isEmpty()) {
      askTheServer();
      return;
    }
    try (FileChannel held = free.get()) {
      Backups.Proven proven = make();
      Backups.rotate(backups);
      say(proven);
    }
  }

  private Backups.Proven make() throws IOException, SQLException {
    return reading((whole, database) -> Backups.make(whole, database, backups, clock.instant()));
  }

  private interface Reading<T> {
    T of(DataFolder whole, Connection database) throws IOException, SQLException;
  }

  /// Opens the data that nobody else has open. H2 writes as it opens and closes; what was sealed
  /// before is sealed again.
  private <T> T reading(Reading<T> reading) throws IOException, SQLException {
    boolean sealed = Seal.holds(data);
    Seal.remove(data);
    DataFolder whole = opened();
    try (Connection database = DatabaseFile.open(whole, whole.database(), "")) {
      return reading.of(whole, database);
    } finally {
      if (sealed) Seal.write(whole);
    }
  }

  private void say(Backups.Proven proven) {
    out.println(proven.file());
    out.println(
        proven.bytes()
            + " bytes, "
            + proven.allRows()
            + " rows read back from it. Keep a copy on"
            + " another machine.");
  }

  /// The server has the database open: it makes the backup.
  private void askTheServer() throws IOException, InterruptedException {
    Path done = data.folder().resolve("backup-done");
    Files.deleteIfExists(done);
    Files.writeString(data.folder().resolve("backup-wanted"), "now");
    Instant until = clock.instant().plus(PATIENCE);
    while (!Files.exists(done)) {
      if (clock.instant().isAfter(until)) throw new IOException("the running Ivesk did not answer");
      Thread.sleep(200);
    }
    String answer = Files.readString(done);
    Files.delete(done);
    if (answer.startsWith("failed")) throw new IOException(answer.substring(7));
    out.println(answer);
  }

  /// A practice that was closed by a key stays so, whatever the backup was.
  private void stayClosed(DataFolder copy) throws IOException, SQLException {
    if (data.kind() != DataFolder.Kind.CIPHER || copy.kind() == DataFolder.Kind.CIPHER) return;
    String key = data.fileKey().orElseGet(FileKey::asked);
    close(copy.folder(), key);
    readClosed(copy.folder(), key);
    out.println("The backup was open to whoever reads it; it is closed by the key now, as before.");
  }

  /// Closes a copy by a key.
  private static void close(Path folder, String key) throws SQLException {
    ChangeFileEncryption.execute(folder.toString(), "ivesk", "AES", null, key.toCharArray(), true);
  }

  private static Map<String, Long> readClosed(Path folder, String key)
      throws IOException, SQLException {
    DataFolder closed = new DataFolder(folder, Optional.of(key));
    try (Connection database = DatabaseFile.open(closed, closed.database(), "")) {
      return DatabaseFile.readThrough(database);
    }
  }

  /// What was there is kept beside it, damaged or not.
  private void restore(Path backup) throws IOException, SQLException {
    if (!Files.isReadable(backup)) throw new IOException(backup + " cannot be read");
    data.makeFolder();
    try (FileChannel held = alone()) {
      Path apart = Journal.Working.RESTORE.folder(data);
      try {
        DataFolder copy = Backups.unpack(data, backup, apart);
        Map<String, Long> rows;
        try (Connection database = DatabaseFile.open(copy, copy.database(), "")) {
          rows = DatabaseFile.readThrough(database);
        }
        stayClosed(copy);
        String before = ".before-" + STAMP.format(clock.instant());
        Journal.force(copy.access());
        Journal.force(copy.database());
        Journal.replacing(data, apart, before);
        Journal.replace(data, copy, before);
        Journal.done(data);
        out.println(
            "Restored: "
                + DatabaseFile.count(rows)
                + " rows of "
                + backup.getFileName()
                + " read back.");
        out.println("What was there before is kept beside it, ending in " + before + ".");
      } finally {
        BackupFiles.deleteAll(apart);
      }
    }
  }

  /// Of the data, or of one backup.
  private void verify(Optional<Path> backup) throws IOException, SQLException {
    if (backup.isPresent()) {
      report(backup.get().getFileName().toString(), Backups.prove(data, backup.get()));
      return;
    }
    requirePractice();
    try (FileChannel held = alone()) {
      reading((whole, database) -> {
        report("The data", DatabaseFile.readThrough(database));
        out.println(follow(whole, database));
        return true;
      });
    }
  }

  /// The audit trail from its beginning to the watermark and beyond.
  private static String follow(DataFolder whole, Connection database)
      throws IOException, SQLException {
    Watermark.requireReached(database, whole);
    return Audit.verify(database);
  }

  private void report(String what, Map<String, Long> rows) {
    out.println(
        what + ": " + rows.size() + " tables, " + DatabaseFile.count(rows) + " rows, all read.");
  }

  /// One file for another machine.
  private void move(Path target) throws IOException, SQLException {
    requirePractice();
    if (Files.exists(target)) throw new IOException(target + " is there already");
    try (FileChannel held = alone()) {
      Backups.Proven proven = make();
      Files.copy(proven.file(), target);
      say(new Backups.Proven(target, proven.bytes(), proven.rows()));
      out.println("On the new machine: ./ivesk restore " + target.getFileName());
      out.println("Then do not start this one again: two practices would grow apart.");
    }
  }

  /// Closes the database's file by a key, from now on.
  private void encrypt() throws IOException, SQLException {
    requirePractice();
    if (data.kind() == DataFolder.Kind.CIPHER) {
      throw new StartRefused("These data are closed by a key already.", "Nothing was changed.");
    }
    String key =
        data.fileKey()
            .orElseThrow(() ->
                new StartRefused(
                    "Give the key in a file: --key-file FILE, 12 letters or more.",
                    "Whoever loses it loses the practice: no backup opens without it. Keep it on"
                        + " paper, apart from this machine."));
    try (FileChannel held = alone()) {
      Backups.Proven proven = make();
      Path apart = Journal.Working.ENCRYPT.folder(data);
      try {
        DataFolder copy = new DataFolder(apart, Optional.of(key));
        Files.copy(data.database(), copy.database());
        Files.copy(data.access(), copy.access());
        close(apart, key);
        Map<String, Long> rows = readClosed(apart, key);
        data.closeToOthers(copy.database());
        Journal.force(copy.database());
        Seal.remove(data);
        // One rename: before it the data are open, after it they are closed.
        Files.move(copy.database(), data.database(), StandardCopyOption.ATOMIC_MOVE);
        Journal.force(data.folder());
        report("Closed by the key", rows);
      } finally {
        BackupFiles.deleteAll(apart);
      }
      out.println("Start from now on with --key-file. Whoever loses the key loses the practice.");
      out.println(
          "Open to whoever reads them are still "
              + proven.file()
              + ", every older backup, and files ending in .before-*: delete them when the start was"
              + " seen to work.");
    }
  }

  /// Looks at a whole installation: what is well, and what to do where something is not.
  private void doctor() throws IOException, SQLException {
    boolean well = true;
    well &=
        say(
            data.kind() == DataFolder.Kind.PLAIN || data.kind() == DataFolder.Kind.CIPHER,
            "There is a practice in " + data.folder(),
            "there is none, or its file is damaged: start Ivesk, it says which backup fits");
    well &=
        say(
            data.isOwn(data.folder()) && data.isOwn(data.database()) && data.isOwn(data.access()),
            "Its files are this account's alone",
            "close them: chmod -R go= " + data.folder());
    long freeMb = Files.getFileStore(data.folder()).getUsableSpace() >> 20;
    well &=
        say(
            freeMb > LITTLE_MB,
            "The disk has " + freeMb + " MB left",
            "make room before it is full");
    Optional<Path> newest = BackupFiles.newest(backups);
    boolean fresh =
        newest
            .flatMap(BackupFiles::madeAt)
            .filter(made -> made.isAfter(clock.instant().minus(Duration.ofDays(3))))
            .isPresent();
    well &=
        say(
            fresh,
            "The newest backup is of the last three days",
            "./ivesk backup, and see that Ivesk runs at night");
    if (newest.isPresent()) {
      well &= reads("The newest backup reads through", () -> Backups.prove(data, newest.get()));
    }
    Optional<FileChannel> free = lock();
    if (free.isEmpty()) {
      out.println("well     Ivesk runs on these data now");
    } else {
      try (FileChannel held = free.get()) {
        well &=
            reads(
                "The data read through, and the audit trail is whole",
                () ->
                    reading((whole, database) -> {
                      DatabaseFile.readThrough(database);
                      return follow(whole, database);
                    }));
      }
    }
    out.println(well ? "All is well." : "See to what is marked.");
  }

  private boolean say(boolean well, String what, String otherwise) {
    out.println((well ? "well     " : "see to   ") + what + (well ? "" : "? No: " + otherwise));
    return well;
  }

  private interface Look {
    void look() throws IOException, SQLException;
  }

  private boolean reads(String what, Look look) {
    try {
      look.look();
      return say(true, what, "");
    } catch (IOException | SQLException e) {
      return say(false, what, e.getMessage());
    }
  }

  private void requirePractice() throws IOException {
    if (data.kind() == DataFolder.Kind.NONE) {
      throw new StartRefused("There is no practice in " + data.folder() + ".", "Nothing was done.");
    }
  }

  private DataFolder opened() throws IOException, SQLException {
    DataFolder whole =
        data.kind() != DataFolder.Kind.CIPHER
            ? new DataFolder(data.folder(), Optional.empty())
            : data.fileKey().isPresent()
                ? data
                : new DataFolder(data.folder(), Optional.of(FileKey.asked()));
    DatabaseFile.setPassword(whole);
    return whole;
  }

  /// Holds the folder until the channel is closed, with what was cut off before finished or undone;
  /// empty while a server holds it.
  private Optional<FileChannel> lock() throws IOException {
    FileChannel channel =
        FileChannel.open(data.lock(), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
    if (channel.tryLock() != null) {
      Journal.settle(data, backups).ifPresent(out::println);
      return Optional.of(channel);
    }
    channel.close();
    return Optional.empty();
  }

  private static void release(FileChannel held) {
    try {
      held.close();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private FileChannel alone() throws IOException {
    return lock()
        .orElseThrow(() ->
            new StartRefused(
                "Ivesk runs on the data in " + data.folder() + ".",
                "Close it first. Nothing was changed."));
  }
}
