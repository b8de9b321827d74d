package ivesk.server.data;

import java.io.Console;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/// The key of the cipher over the database's file: from a file, or asked for on the terminal.
final class FileKey {
  /// H2's code for a file that another key closed.
  static final int WRONG = 90049;

  private FileKey() {}

  /// @param file holds the key in its first line; empty or null where there is none
  static Optional<String> given(@Nullable String file) throws IOException {
    if (file == null || file.isBlank()) return Optional.empty();
    Path path = Path.of(file);
    if (!Files.isReadable(path)) {
      throw new StartRefused(
          "The key file " + file + " cannot be read.", "Nothing was opened and nothing changed.");
    }
    return Optional.of(checked(Files.readAllLines(path).stream().findFirst().orElse("")));
  }

  static String asked() {
    Console console = System.console();
    char[] typed = console == null ? null : console.readPassword("The practice's key: ");
    if (typed == null) {
      throw new StartRefused(
          "These data are closed by a key.",
          "Start on a terminal, or with --key-file FILE. Nothing was changed.");
    }
    return checked(new String(typed));
  }

  private static String checked(String key) {
    if (key.length() < 12 || key.contains(" ")) {
      throw new StartRefused(
          "The key is shorter than 12 letters, or holds a space.",
          "Give 12 letters or more without spaces. Nothing was changed.");
    }
    return key;
  }
}
