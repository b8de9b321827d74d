package ivesk.server.data;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.util.FileSystemUtils;

/// A practice's folder for a test to spoil, and what `./ivesk` does to it.
final class Copies {
  private Copies() {}

  static DataFolder copy(Path from, Path into) throws IOException {
    FileSystemUtils.copyRecursively(from, into);
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
