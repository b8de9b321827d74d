package ivesk.server.data;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/// Backups as files in a folder.
public final class BackupFiles {
  static final DateTimeFormatter NAME =
      DateTimeFormatter.ofPattern("'ivesk-'uuuuMMdd-HHmmss'.zip'", Locale.ROOT)
          .withZone(ZoneOffset.UTC);

  private BackupFiles() {}

  /// Takes the files out of a backup as they are.
  static void extract(Path backup, DataFolder copy) throws IOException {
    try (FileSystem zip = zip(backup)) {
      for (Path target : List.of(copy.database(), copy.access())) {
        Path source = zip.getPath("/" + target.getFileName());
        if (!Files.exists(source)) throw new IOException(backup + " is no backup of Ivesk's");
        Files.copy(source, target);
        copy.closeToOthers(target);
      }
    } catch (java.util.zip.ZipError | java.util.zip.ZipException e) {
      throw new IOException(backup + " is damaged: " + e.getMessage(), e);
    }
  }

  /// All of a folder, the newest first.
  public static List<Path> all(Path folder) throws IOException {
    if (!Files.isDirectory(folder)) return List.of();
    try (Stream<Path> files = Files.list(folder)) {
      return files
          .filter(file -> madeAt(file).isPresent())
          .sorted(Comparator.comparing(Path::getFileName).reversed())
          .toList();
    }
  }

  static Optional<Path> newest(Path folder) throws IOException {
    return all(folder).stream().findFirst();
  }

  /// When a backup was made, by its name; empty for other files.
  public static Optional<Instant> madeAt(Path file) {
    try {
      return Optional.of(Instant.from(NAME.parse(file.getFileName().toString())));
    } catch (java.time.format.DateTimeParseException other) {
      return Optional.empty();
    }
  }

  static void deleteAll(Path folder) {
    try (Stream<Path> files = Files.walk(folder)) {
      for (Path file : files.sorted(Comparator.reverseOrder()).toList()) Files.delete(file);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  static FileSystem zip(Path file) throws IOException {
    return FileSystems.newFileSystem(URI.create("jar:" + file.toUri()), Map.of());
  }

  /// Whether a practice was here although its database is gone: it ran for some seconds, was
  /// closed, backed up or restored once.
  static boolean heldPractice(DataFolder data, Path backups) throws IOException {
    if (Files.exists(data.watermark()) || Files.exists(data.seal())) return true;
    if (!all(backups).isEmpty()) return true;
    try (Stream<Path> files = Files.list(data.folder())) {
      return files.anyMatch(file ->
          file.getFileName().toString().startsWith(data.database().getFileName().toString()));
    }
  }
}
