package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/// Each test that docs/security.md names is there.
class SecurityTableTest {
  private static final Pattern NAMED = Pattern.compile("([A-Z][A-Za-z]+Test)\\.([a-zA-Z_]+)");

  @Test
  void everyTestThatIsNamedIsThere() throws IOException {
    List<MatchResult> named =
        NAMED.matcher(Files.readString(Path.of("../docs/security.md"))).results().toList();
    assertThat(named).hasSizeGreaterThan(25);
    assertThat(named.stream().filter(one -> !isThere(one.group(1), one.group(2))))
        .map(MatchResult::group)
        .isEmpty();
  }

  private static boolean isThere(String type, String method) {
    try (Stream<Path> files = Files.walk(Path.of("src/test/java"))) {
      for (Path file : files.filter(f -> f.endsWith(type + ".java")).toList()) {
        return Files.readString(file).contains("void " + method + "(");
      }
      return false;
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }
}
