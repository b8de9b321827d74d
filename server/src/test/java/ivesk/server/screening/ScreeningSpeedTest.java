package ivesk.server.screening;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.screening.Question;
import ivesk.server.Practice;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.json.JsonMapper;

/// How long the server itself takes for `POST /api/screening`: reading the JSON, screening with the
/// practice's policies from the database, writing the JSON; without the network.
class ScreeningSpeedTest {

  @Test
  void allFactsGivenItAnswersInUnderFiveMilliseconds() {
    try (ConfigurableApplicationContext application = Practice.start("start")) {
      JsonMapper json = application.getBean(JsonMapper.class);
      ScreeningController controller = application.getBean(ScreeningController.class);
      String body = body();
      List<Long> nanos = new ArrayList<>();
      for (int i = 0; i < 2400; i++) {
        long start = System.nanoTime();
        ScreeningQuestion question = json.readValue(body, ScreeningQuestion.class);
        String answer = json.writeValueAsString(controller.screen(question));
        if (i >= 2000) nanos.add(System.nanoTime() - start);
        assertThat(answer).contains("\"verdict\":\"WAIT\"").contains("\"unasked\":0");
      }
      nanos.sort(null);
      double medianMs = nanos.get(200) / 1e6;
      System.out.printf("POST /api/screening on the server, median of 400: %.2f ms%n", medianMs);
      assertThat(medianMs).isLessThan(5);
    }
  }

  /// Every question answered, half of them with a date; no consent and no patch test.
  private static String body() {
    String answers =
        Arrays.stream(Question.values())
            .map(question -> {
              var options = question.options();
              var option = question.ordinal() % 5 == 0 ? options.getLast() : options.getFirst();
              if (option.needs() != Question.Needs.NOTHING) {
                option = options.getFirst();
              }
              String on =
                  option.dateLabel().isPresent()
                      ? ",\"on\":\"" + LocalDate.of(2026, 11, 20) + "\""
                      : "";
              return "\"%s\":{\"choice\":\"%s\"%s}".formatted(question, option.id(), on);
            })
            .collect(Collectors.joining(",", "{", "}"));
    return """
    {"dateOfBirth":"1988-04-02","peelDate":"2026-11-25","answers":%s,
     "skin":{"phototype":"IV","oil":"OILY","sensitivity":"NORMAL",
             "severities":{"MELASMA":3,"PIH":1},"goals":["MELASMA"]},
     "pastPeels":[{"formula":"MAN-20","on":"2026-11-01","layers":1,"contactSeconds":300,
                   "wellTaken":true,"worstSensation":3}],
     "consents":[],"patchTests":[],"products":[]}\
    """
        .formatted(answers);
  }
}
