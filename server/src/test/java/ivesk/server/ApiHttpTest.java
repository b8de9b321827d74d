package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import ivesk.server.app.StatelessQuestion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/// The samples in docs/api.http, each sent as it stands.
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class ApiHttpTest {
  private Practice practice;

  @BeforeAll
  void open() {
    practice = Practice.open().signIn("ines", "harbour");
  }

  @AfterAll
  void close() {
    practice.close();
  }

  record Sample(String method, String path, String body) {
    @Override
    public String toString() {
      return method + " " + path;
    }
  }

  static List<Sample> samples() throws IOException {
    List<Sample> samples = new ArrayList<>();
    for (String part : Files.readString(Path.of("../docs/api.http")).split("(?m)^### .*\n")) {
      if (part.isBlank()) continue;
      String[] halves = part.strip().split("\n\n", 2);
      String[] first = halves[0].lines().findFirst().orElseThrow().split(" ");
      samples.add(new Sample(first[0], first[1], halves.length == 2 ? halves[1] : ""));
    }
    return samples;
  }

  @ParameterizedTest
  @MethodSource("samples")
  void answers(Sample sample) {
    Answer answer =
        sample.method().equals("GET")
            ? practice.get(sample.path())
            : practice.post(sample.path(), sample.body());
    assertThat(answer.status()).as(answer.detail()).isEqualTo(200);
    assertThat(answer.body().isEmpty()).isFalse();
  }

  /// Every question that stands by itself has a sample; those of a device or of one visit do not.
  @Test
  void noneIsLeftOut() throws IOException {
    Set<String> sampled = samples().stream().map(Sample::path).collect(Collectors.toSet());
    List<String> stateless =
        practice
            .bean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class)
            .getHandlerMethods()
            .entrySet()
            .stream()
            .filter(entry ->
                entry.getValue().hasMethodAnnotation(StatelessQuestion.class)
                    || entry.getValue().getBeanType().isAnnotationPresent(StatelessQuestion.class))
            .flatMap(entry -> entry.getKey().getPatternValues().stream())
            .filter(path -> !path.contains("{") && !path.contains("/ph-meter"))
            .filter(path -> !path.equals("/api/bench"))
            .toList();
    assertThat(stateless).hasSizeGreaterThan(14);
    assertThat(sampled).containsAll(stateless);
  }
}
