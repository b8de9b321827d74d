package ivesk.server.treatment;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.RewordedCore;
import java.lang.reflect.Method;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

/// Records as they were kept at some time, replayed. The expected numbers are those that the Ivesk
/// of that time printed, but for the outcome where its rule has changed since (decision 0008).
class RecordsTest {
  private static RewordedCore otherWords;
  private static Class<?> otherwise;

  @BeforeAll
  static void sayEverythingOtherwise() throws ClassNotFoundException {
    otherWords = new RewordedCore();
    otherwise = otherWords.loadClass(GoldenRecord.class.getName());
  }

  static Stream<String> records() throws Exception {
    GoldenScripts.addMissing();
    try (Stream<Path> files = Files.list(Path.of("src/test/resources/golden/records"))) {
      return files.map(file -> file.getFileName().toString().replace(".json", "")).toList().stream()
          .sorted();
    }
  }

  @ParameterizedTest
  @MethodSource("records")
  void comeToWhatTheyCameTo(String name) {
    GoldenRecord kept = GoldenRecord.read(name);
    for (var known : kept.expected().properties()) {
      assertThat(kept.outcome().get(known.getKey()))
          .as(known.getKey())
          .isEqualTo(value(known.getValue()));
    }
    assertThat(kept.expected().size()).isGreaterThanOrEqualTo(8);
  }

  /// State, outcome, chart and ladder hang on what was kept, never on how it is said.
  @ParameterizedTest
  @MethodSource("records")
  void meanTheSameUnderOtherWords(String name) throws Exception {
    assertThat(said("consequencesOf", name)).isEqualTo(GoldenRecord.consequencesOf(name));
    assertThat(said("summaryOf", name)).isNotEqualTo(GoldenRecord.summaryOf(name));
  }

  @Test
  void theSecondWordTableHoldsHundredsOfSentences() throws Exception {
    said("consequencesOf", records().findFirst().orElseThrow());
    assertThat(otherWords.table()).hasSizeGreaterThan(500);
    assertThat(otherWords.table()).containsKey("Rinse cool").doesNotContainValue("Rinse cool");
  }

  private static String said(String method, String name) throws Exception {
    Method asked = otherwise.getDeclaredMethod(method, String.class);
    asked.setAccessible(true);
    return (String) asked.invoke(null, name);
  }

  private static Object value(JsonNode node) {
    if (node.isBoolean()) return node.asBoolean();
    return node.isNumber() ? (Object) node.asInt() : node.asString();
  }
}
