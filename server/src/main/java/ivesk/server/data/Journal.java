package ivesk.server.data;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/// What is being done to the data folder as a whole, written down before it begins, so that whoever
/// holds the folder next finishes or undoes what a killed process left. One line: the operation and
/// what it needs.
final class Journal {
  /// What an operation works in; nothing in it counts, and the next start sweeps it.
  enum Working {
    PROOF,
    RESTORE,
    CHECK,
    ENCRYPT;

    private String prefix() {
      return name().toLowerCase(Locale.ROOT) + "-";
    }

    /// A fresh folder inside the data folder.
    Path folder(DataFolder data) throws IOException {
      return Files.createTempDirectory(data.folder(), prefix());
    }
  }

  /// Ends the name of a backup that was not read through yet.
  static final String UNPROVEN = ".unproven";

  private Journal() {}

  private static Path file(DataFolder data) {
    return data.folder().resolve("under-way");
  }

  /// A new database is made: it counts once its tables are there.
  static void creating(DataFolder data) throws IOException {
    begin(data, "create");
  }

  /// The tables change from one version to the next. H2 commits each statement by itself, so what
  /// was cut off is put back from this backup.
  static void upgrading(DataFolder data, Path backup) throws IOException {
    begin(data, "upgrade " + backup.toAbsolutePath());
  }

  /// A proven copy takes the place of what is there.
  ///
  /// @param apart the folder with the copy, inside the data folder
  /// @param kept ending of the names under which what was there is kept
  static void replacing(DataFolder data, Path apart, String kept) throws IOException {
    begin(data, "restore " + apart.getFileName() + " " + kept);
  }

  private static void begin(DataFolder data, String what) throws IOException {
    Path part = data.folder().resolve("under-way.part");
    data.writeOwn(part, what);
    Files.move(part, file(data), StandardCopyOption.ATOMIC_MOVE);
    force(data.folder());
  }

  static void done(DataFolder data) throws IOException {
    Files.deleteIfExists(file(data));
    force(data.folder());
  }

  /// Finishes or undoes what was under way, and sweeps what killed operations left behind. The
  /// caller holds the folder's lock.
  ///
  /// @param backups where they are kept, beside the data folder's own place
  /// @return one line for the log; empty where nothing was under way
  static Optional<String> settle(DataFolder data, Path backups) throws IOException {
    Optional<String> said = Optional.empty();
    if (Files.exists(file(data))) {
      String[] words = Files.readString(file(data)).split(" ", 2);
      said =
          Optional.of(
              switch (words[0]) {
                case "create" -> undoCreation(data);
                case "upgrade" -> undoUpgrade(data, Path.of(words[1]));
                case "restore" -> finishReplacing(data, words[1].split(" "));
                default -> throw unknown(data, words[0]);
              });
      done(data);
    }
    sweep(data, backups);
    return said;
  }

  private static StartRefused unknown(DataFolder data, String operation) {
    return new StartRefused(
        "A newer Ivesk was doing \"" + operation + "\" to the data in " + data.folder() + ".",
        "Start that version once; it finishes. Nothing was changed.");
  }

  private static String undoCreation(DataFolder data) throws IOException {
    Files.deleteIfExists(data.database());
    return "The first start was cut off before the practice was made; it is made afresh.";
  }

  private static String undoUpgrade(DataFolder data, Path backup) throws IOException {
    if (!Files.isReadable(backup)) {
      throw new StartRefused(
          "The upgrade of the data was cut off, and the backup made before it is missing: "
              + backup
              + ".",
          "Put it back there and start again. Nothing was changed.");
    }
    Path apart = Working.RESTORE.folder(data);
    DataFolder copy = new DataFolder(apart, Optional.empty());
    BackupFiles.extract(backup, copy);
    force(copy.database());
    Seal.remove(data);
    Files.move(copy.database(), data.database(), StandardCopyOption.ATOMIC_MOVE);
    return "An upgrade of the data was cut off; they were put back as they were before it, from "
        + backup.getFileName()
        + ".";
  }

  private static String finishReplacing(DataFolder data, String[] words) throws IOException {
    DataFolder copy = new DataFolder(data.folder().resolve(words[0]), Optional.empty());
    replace(data, copy, words[1]);
    return "A restore was cut off and is finished now; what was there before ends in "
        + words[1]
        + ".";
  }

  /// Each step is found done or not by what lies where, so that it can be cut off anywhere and run
  /// again.
  static void replace(DataFolder data, DataFolder copy, String kept) throws IOException {
    Seal.remove(data);
    Files.deleteIfExists(data.watermark());
    replace(copy.access(), data.access(), kept);
    replace(copy.database(), data.database(), kept);
    force(data.folder());
  }

  private static void replace(Path fresh, Path own, String kept) throws IOException {
    if (!Files.exists(fresh)) return;
    if (Files.exists(own)) {
      Files.move(own, own.resolveSibling(own.getFileName() + kept), StandardCopyOption.ATOMIC_MOVE);
    }
    Files.move(fresh, own, StandardCopyOption.ATOMIC_MOVE);
  }

  /// What an operation that was killed left: copies of the data that nobody would look for.
  private static void sweep(DataFolder data, Path backups) throws IOException {
    for (Path found : list(data.folder())) {
      String name = found.getFileName().toString();
      if (Files.isDirectory(found)
          && Arrays.stream(Working.values()).map(Working::prefix).anyMatch(name::startsWith)) {
        BackupFiles.deleteAll(found);
      }
    }
    for (Path folder : List.of(data.backups(), backups)) {
      for (Path found : list(folder)) {
        if (found.getFileName().toString().endsWith(UNPROVEN)) Files.deleteIfExists(found);
      }
    }
  }

  private static List<Path> list(Path folder) throws IOException {
    if (!Files.isDirectory(folder)) return List.of();
    try (Stream<Path> files = Files.list(folder)) {
      return files.toList();
    }
  }

  /// On the disk before anything relies on it.
  static void force(Path path) throws IOException {
    try (FileChannel channel = FileChannel.open(path, StandardOpenOption.READ)) {
      channel.force(true);
    }
  }
}
