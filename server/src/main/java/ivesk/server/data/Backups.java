package ivesk.server.data;

import java.io.IOException;
import java.nio.file.FileSystem;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.IsoFields;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// Backups of a practice: each a zip file with the database and what opens it, proven by opening it
/// and reading it through.
public final class Backups {
  private static final int NEWEST = 3;
  private static final int DAYS = 7;
  private static final int WEEKS = 5;
  private static final int MONTHS = 12;

  private Backups() {}

  /// A backup that was opened and read through.
  ///
  /// @param rows by table
  public record Proven(Path file, long bytes, Map<String, Long> rows) {
    public long allRows() {
      return DatabaseFile.count(rows);
    }
  }

  /// Makes one from a running database. It counts only once it was proven; until then it has
  /// another name.
  ///
  /// @throws IOException when it cannot be written or does not read through
  public static Proven make(DataFolder data, Connection running, Path folder, Instant now)
      throws IOException {
    Files.createDirectories(folder);
    Path file = folder.resolve(BackupFiles.NAME.format(now));
    Path unproven = folder.resolve(file.getFileName() + Journal.UNPROVEN);
    Files.deleteIfExists(unproven);
    try {
      DatabaseFile.copyTo(running, unproven);
      try (FileSystem zip = BackupFiles.zip(unproven)) {
        Files.copy(data.access(), zip.getPath("/access"), StandardCopyOption.REPLACE_EXISTING);
      }
      data.closeToOthers(unproven);
      Map<String, Long> rows = prove(data, unproven);
      Journal.force(unproven);
      Files.move(unproven, file, StandardCopyOption.ATOMIC_MOVE);
      Journal.force(folder);
      return new Proven(file, Files.size(file), rows);
    } catch (SQLException e) {
      throw new IOException("the backup could not be made or read: " + e.getMessage(), e);
    } finally {
      Files.deleteIfExists(unproven);
    }
  }

  /// Opens a backup beside the data and reads every row.
  static Map<String, Long> prove(DataFolder data, Path backup) throws IOException, SQLException {
    Path apart = Journal.Working.PROOF.folder(data);
    try {
      DataFolder copy = unpack(data, backup, apart);
      try (Connection database = DatabaseFile.open(copy, copy.database(), "")) {
        return DatabaseFile.readThrough(database);
      }
    } finally {
      BackupFiles.deleteAll(apart);
    }
  }

  /// Where backups are kept.
  ///
  /// @param wished the practice's own place; empty for the data's own folder
  static Path folder(DataFolder data, String wished) {
    return wished.isEmpty() ? data.backups() : Path.of(wished).toAbsolutePath();
  }

  /// Unpacks into an empty folder.
  static DataFolder unpack(DataFolder data, Path backup, Path into) throws IOException {
    DataFolder copy = new DataFolder(into, data.fileKey());
    BackupFiles.extract(backup, copy);
    boolean cipher = copy.kind() == DataFolder.Kind.CIPHER;
    if (cipher && data.fileKey().isEmpty())
      return new DataFolder(into, Optional.of(FileKey.asked()));
    return cipher ? copy : new DataFolder(into, Optional.empty());
  }

  /// Keeps the newest three, and the newest of each of the last 7 days, 5 weeks and 12 months that
  /// have one.
  public static void rotate(Path folder) throws IOException {
    List<Path> all = BackupFiles.all(folder);
    Set<Path> kept = new HashSet<>(all.stream().limit(NEWEST).toList());
    keep(all, kept, DAYS, LocalDate::toString);
    keep(
        all,
        kept,
        WEEKS,
        day ->
            day.get(IsoFields.WEEK_BASED_YEAR) + " " + day.get(IsoFields.WEEK_OF_WEEK_BASED_YEAR));
    keep(all, kept, MONTHS, day -> day.getYear() + " " + day.getMonthValue());
    for (Path file : all) if (!kept.contains(file)) Files.delete(file);
  }

  private static void keep(
      List<Path> all, Set<Path> kept, int most, java.util.function.Function<LocalDate, String> of) {
    Set<String> seen = new HashSet<>();
    for (Path file : all) {
      LocalDate day = LocalDate.ofInstant(BackupFiles.madeAt(file).orElseThrow(), ZoneOffset.UTC);
      if (seen.size() < most && seen.add(of.apply(day))) kept.add(file);
    }
  }
}
