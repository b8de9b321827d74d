package ivesk.server.data;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
import java.util.stream.Stream;

/// A practice's folder for a test to spoil, and what `./ivesk` does to it.
final class Copies {
  private Copies() {}

  static DataFolder copy(Path from, Path into) throws IOException {
    try (Stream<Path> files = Files.walk(from)) {
      for (Path file : files.filter(Files::isRegularFile).toList()) {
        Path target = into.resolve(from.relativize(file));
        Files.createDirectories(target.getParent());
        Files.copy(file, target);
      }
    }
    return new DataFolder(into, Optional.empty());
  }

  /// @return what the command said
  static String run(DataFolder data, String command, Path... file) throws Exception {
    ByteArrayOutputStream said = new ByteArrayOutputStream();
    new Commands(data, Optional.empty(), Clock.systemUTC(), new PrintStream(said))
        .run(command, Stream.of(file).findFirst());
    return said.toString(StandardCharsets.UTF_8);
  }
}
