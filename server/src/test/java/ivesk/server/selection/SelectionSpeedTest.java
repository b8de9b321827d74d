package ivesk.server.selection;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.screening.Question;
import ivesk.server.Practice;
import ivesk.server.formula.Product;
import ivesk.server.formula.ShelfService;
import ivesk.server.selection.SelectionController.SelectionQuestion;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.json.JsonMapper;

/// How long the server itself takes for `POST /api/selection`: reading the JSON, screening, every
/// gate and score, the sentences, writing the JSON; without the network. First with the shipped
/// library, then with so many own products that the shelf holds a thousand.
class SelectionSpeedTest {
  @Test
  void aThousandFormulasTakeLessThanFiftyMilliseconds() {
    try (ConfigurableApplicationContext application = Practice.start("demo")) {
      double shipped = median(application, 400);
      System.out.printf("POST /api/selection, shipped library: median %.2f ms%n", shipped);
      assertThat(shipped).isLessThan(5);
      fill(application.getBean(ShelfService.class), application.getBean(JsonMapper.class));
      double thousand = median(application, 60);
      System.out.printf("POST /api/selection, 1,000 formulas: median %.2f ms%n", thousand);
      assertThat(thousand).isLessThan(50);
    }
  }

  /// The ranked formulas over and over, under codes of their own.
  private static void fill(ShelfService shelf, JsonMapper json) {
    List<Formula> like =
        Library.FORMULAS.stream()
            .filter(formula -> formula.family().ranked() && formula.peels())
            .toList();
    int own = 1000 - shelf.shelf().formulas().size();
    for (int i = 0; i < own; i++) {
      Formula formula = like.get(i % like.size());
      shelf.save(
          json.readValue(
              json.writeValueAsString(Product.of(formula))
                  .replace(
                      "\"" + formula.code() + "\"", String.format(Locale.ROOT, "\"T-%04d\"", i)),
              Product.class),
          0,
          "ines");
    }
    assertThat(shelf.shelf().formulas()).hasSize(1000);
  }

  private static double median(ConfigurableApplicationContext application, int times) {
    JsonMapper json = application.getBean(JsonMapper.class);
    SelectionController controller = application.getBean(SelectionController.class);
    String client = client();
    List<Long> nanos = new ArrayList<>();
    for (int i = 0; i < times * 3; i++) {
      long start = System.nanoTime();
      SelectionQuestion question = json.readValue(client, SelectionQuestion.class);
      String answer = json.writeValueAsString(controller.choose(question));
      if (i >= times * 2) nanos.add(System.nanoTime() - start);
      assertThat(answer).contains("\"code\":\"MAN-20\"").contains("\"ranked\":[");
    }
    nanos.sort(null);
    return nanos.get(nanos.size() / 2) / 1e6;
  }

  /// Everything asked, consents signed and patch tests read, so that most formulas are open.
  private static String client() {
    String answers =
        Arrays.stream(Question.values())
            .map(question ->
                "\"%s\":{\"choice\":\"%s\"}".formatted(question, question.harmless().choice()))
            .collect(Collectors.joining(",", "{", "}"));
    String consents =
        Family.covering().stream()
            .map(family ->
                "{\"family\":\"%s\",\"signedOn\":\"2026-11-01\",\"signedBy\":\"A Client\"}"
                    .formatted(family))
            .collect(Collectors.joining(",", "[", "]"));
    return """
    {"client":{"dateOfBirth":"1988-04-02","peelDate":"2026-11-25","answers":%s,
      "skin":{"phototype":"III","oil":"OILY","sensitivity":"NORMAL",
              "severities":{"COMEDONES":3,"PORES":2,"DULLNESS":1},"goals":["COMEDONES","PORES"]},
      "pastPeels":[{"formula":"MAN-20","on":"2026-10-01","layers":1,"contactSeconds":300,
                    "wellTaken":true,"worstSensation":3}],
      "consents":%s,"patchTests":[],"products":[]},
     "flakingDaysThatFit":7,"bookedMinutes":60}\
    """
        .formatted(answers, consents);
  }
}
