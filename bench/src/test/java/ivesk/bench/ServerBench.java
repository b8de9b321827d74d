package ivesk.bench;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.screening.question.Question;
import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/// How long the server takes over loopback, each figure beside its reference: the same server
/// asked who is signed in, which computes nothing. A busy machine slows both alike.
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class ServerBench {
  private static final JsonMapper JSON = JsonMapper.shared();

  private final CookieManager cookies = new CookieManager();
  private final HttpClient http = HttpClient.newBuilder().cookieHandler(cookies).build();
  private ConfigurableApplicationContext application;
  private String base;
  private double reference;

  private interface Asking {
    String ask() throws IOException, InterruptedException;
  }

  @BeforeAll
  void start() throws Exception {
    application =
        SpringApplication.run(
            ivesk.server.IveskApplication.class,
            "--server.port=0",
            "--spring.profiles.active=demo",
            "--ivesk.zone=UTC",
            "--ivesk.data=" + Files.createTempDirectory("ivesk-bench-"));
    base =
        "http://127.0.0.1:" + ((WebServerApplicationContext) application).getWebServer().getPort();
    get("/api/session");
    http.send(
        request("/api/sign-in")
            .header("Content-Type", "application/json")
            .POST(HttpRequest.BodyPublishers.ofString("{\"username\":\"ines\",\"password\":\"harbour\"}"))
            .build(),
        HttpResponse.BodyHandlers.discarding());
    get("/api/session");
    reference = median(600, () -> get("/api/session"));
    System.out.printf(Locale.ROOT, "reference, GET /api/session: %.2f ms%n", reference);
  }

  @AfterAll
  void stop() {
    application.close();
  }

  @Test
  @Order(1)
  void screening() throws Exception {
    String body = screeningQuestion();
    assertThat(post("/api/screening", body)).contains("\"verdict\":\"WAIT\"");
    report("POST /api/screening", median(400, () -> post("/api/screening", body)), 5);
  }

  @Test
  @Order(2)
  void selectionOfTheShippedLibrary() throws Exception {
    String body = selectionQuestion();
    assertThat(post("/api/selection", body)).contains("\"ranked\":[");
    report(
        "POST /api/selection, shipped library",
        median(400, () -> post("/api/selection", body)),
        5);
  }

  @Test
  @Order(3)
  void selectionOfAThousandFormulas() throws Exception {
    fillTheShelf();
    String body = selectionQuestion();
    report(
        "POST /api/selection, 1,000 formulas", median(60, () -> post("/api/selection", body)), 50);
  }

  @Test
  @Order(4)
  void findingAmongTenThousandClients() throws Exception {
    for (int i = 0; i < 10_000; i++) {
      post(
          "/api/clients",
          "{\"name\":\"Made Up %s Person\",\"dateOfBirth\":\"1980-01-01\"}".formatted(part(i)));
    }
    int[] i = {0};
    report(
        "GET /api/clients?find= among 10,000",
        median(60, () -> get("/api/clients?archived=false&find=" + part(i[0]++))),
        60);
  }

  private static String part(int i) {
    return Integer.toString(i * 7919, 36);
  }

  private void report(String what, double ms, double allowed) {
    System.out.printf(
        Locale.ROOT,
        "%s: median %.2f ms, %.1f times the reference, allowed %.0f ms%n",
        what,
        ms,
        ms / reference,
        allowed);
    assertThat(ms).as(what).isLessThan(allowed);
  }

  /// In ms, after twice as many to warm up.
  private static double median(int times, Asking asking) throws Exception {
    for (int i = 0; i < 2 * times; i++) asking.ask();
    long[] nanos = new long[times];
    for (int i = 0; i < times; i++) {
      long start = System.nanoTime();
      asking.ask();
      nanos[i] = System.nanoTime() - start;
    }
    return LongStream.of(nanos).sorted().skip(times / 2).findFirst().orElseThrow() / 1e6;
  }

  private String get(String path) throws IOException, InterruptedException {
    return http.send(request(path).build(), HttpResponse.BodyHandlers.ofString()).body();
  }

  private String post(String path, String body) throws IOException, InterruptedException {
    return write("POST", path, body);
  }

  private String write(String method, String path, String body)
      throws IOException, InterruptedException {
    HttpResponse<String> answer =
        http.send(
            request(path)
                .header("Content-Type", "application/json")
                .method(method, HttpRequest.BodyPublishers.ofString(body))
                .build(),
            HttpResponse.BodyHandlers.ofString());
    assertThat(answer.statusCode()).as(path + answer.body()).isBetween(200, 299);
    return answer.body();
  }

  private HttpRequest.Builder request(String path) {
    HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path));
    cookies.getCookieStore().getCookies().stream()
        .filter(cookie -> cookie.getName().equals("XSRF-TOKEN") && !cookie.getValue().isEmpty())
        .map(HttpCookie::getValue)
        .forEach(token -> request.setHeader("X-XSRF-TOKEN", token));
    return request;
  }

  /// The ranked formulas over and over, under codes of their own, until there are a thousand.
  private void fillTheShelf() throws Exception {
    JsonNode items = JSON.readTree(get("/api/shelf")).get("items");
    List<String> like =
        Library.FORMULAS.stream()
            .filter(formula -> formula.family().ranked() && formula.peels())
            .map(Formula::code)
            .toList();
    List<JsonNode> labels =
        items.valueStream()
            .map(item -> item.get("label"))
            .filter(label -> like.contains(label.get("code").asString()))
            .toList();
    for (int i = 0; i < 1000 - items.size(); i++) {
      ObjectNode label = (ObjectNode) labels.get(i % labels.size()).deepCopy();
      label.put("code", String.format(Locale.ROOT, "T-%04d", i));
      ObjectNode kept = JSON.createObjectNode();
      kept.set("label", label);
      kept.put("over", 0);
      write("PUT", "/api/shelf/products", kept.toString());
    }
  }

  /// Every question answered, half of them with a date; no consent and no patch test.
  private static String screeningQuestion() {
    String answers =
        Arrays.stream(Question.values())
            .map(question -> {
              var options = question.options();
              var option = question.ordinal() % 5 == 0 ? options.getLast() : options.getFirst();
              if (option.needs() != Question.Needs.NOTHING) option = options.getFirst();
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
                   "outcome":"WELL_TAKEN","worstSensation":3}],
     "consents":[],"patchTests":[],"products":[]}\
    """
        .formatted(answers);
  }

  /// Everything asked and consents signed, so that most formulas are open.
  private static String selectionQuestion() {
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
                    "outcome":"WELL_TAKEN","worstSensation":3}],
      "consents":%s,"patchTests":[],"products":[]},
     "flakingDaysThatFit":7,"bookedMinutes":60}\
    """
        .formatted(answers, consents);
  }
}
