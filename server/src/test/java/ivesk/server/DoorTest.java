package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What comes in at the door: for whom it is, how large, how slow, and what is missing in it.
class DoorTest {
  private static Practice practice;

  @BeforeAll
  static void open() {
    practice = Practice.open();
    practice.signIn("ines", "harbour");
  }

  @AfterAll
  static void close() {
    practice.close();
  }

  /// What the server answers to bytes as they are, up to the end of the head.
  private static String raw(String request) throws IOException {
    try (Socket socket = new Socket("127.0.0.1", practice.port())) {
      socket.setSoTimeout(15_000);
      socket.getOutputStream().write(request.getBytes(StandardCharsets.US_ASCII));
      InputStream in = socket.getInputStream();
      StringBuilder head = new StringBuilder();
      for (int one = in.read(); one >= 0 && head.indexOf("\r\n\r\n") < 0; one = in.read()) {
        head.append((char) one);
      }
      return head.toString();
    }
  }

  @ParameterizedTest
  @CsvSource({"localhost, 200", "127.0.0.1:8740, 200", "ivesk.example, 421", "10.1.2.3, 421"})
  void aRequestMeantForAnotherHostIsNotAnswered(String host, int status) throws IOException {
    assertThat(raw("GET /api/session HTTP/1.1\r\nHost: " + host + "\r\nAccept: */*\r\n\r\n"))
        .startsWith("HTTP/1.1 " + status);
  }

  @Test
  void aWatchdogHearsWhetherItIsUpAndNothingElse() throws IOException {
    assertThat(practice.asStranger("/actuator/health").body().toString())
        .isEqualTo("{\"groups\":[\"liveness\",\"readiness\"],\"status\":\"UP\"}");
    for (String other : List.of("metrics", "env", "beans", "heapdump", "loggers", "mappings")) {
      assertThat(practice.asStranger("/actuator/" + other).status()).as(other).isEqualTo(404);
    }
  }

  @Test
  void aBodyThatIsTooLargeIsRefusedBeforeItIsRead() throws IOException {
    assertThat(
            raw(
                "POST /api/sign-in HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json"
                    + "\r\nContent-Length: 90000000\r\n\r\n"))
        .startsWith("HTTP/1.1 413");
    assertThat(
            raw(
                "POST /api/archive HTTP/1.1\r\nHost: localhost\r\nContent-Type:"
                    + " application/octet-stream\r\nContent-Length: 90000000\r\n\r\n"))
        .as("a file of everything may be, but not by a stranger")
        .startsWith("HTTP/1.1 40");
  }

  @Test
  void bodiesThatNeverEndKeepNobodyOut() throws Exception {
    List<Socket> slow = new ArrayList<>();
    try {
      for (int i = 0; i < 250; i++) {
        Socket socket = new Socket("127.0.0.1", practice.port());
        socket
            .getOutputStream()
            .write(
                ("POST /api/sign-in HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json"
                        + "\r\nContent-Length: 1000\r\n\r\n{\"username\":")
                    .getBytes(StandardCharsets.US_ASCII));
        slow.add(socket);
      }
      Instant before = Instant.now();
      assertThat(practice.get("/api/today").status()).isEqualTo(200);
      assertThat(Duration.between(before, Instant.now())).isLessThan(Duration.ofSeconds(5));
    } finally {
      for (Socket socket : slow) socket.close();
    }
  }

  @Test
  void pagesTakeNothingInlineAndNothingFromElsewhere() throws Exception {
    HttpResponse<String> page =
        HttpClient.newHttpClient()
            .send(
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + practice.port() + "/"))
                    .header("Accept", "text/html")
                    .build(),
                HttpResponse.BodyHandlers.ofString());
    String policy = page.headers().firstValue("Content-Security-Policy").orElseThrow();
    assertThat(policy).doesNotContain("unsafe").contains("frame-ancestors 'none'");
    String nonce = policy.replaceFirst(".*'nonce-([^']+)'.*", "$1");
    assertThat(page.body()).contains("content=\"" + nonce + "\"").doesNotContain("__NONCE__");
    assertThat(page.headers().firstValue("Referrer-Policy")).contains("no-referrer");
    assertThat(page.headers().firstValue("X-Content-Type-Options")).contains("nosniff");
  }

  @Test
  void scriptsComeAsTheyWereCompressedWhenTheyWereBuilt() throws Exception {
    String html =
        HttpClient.newHttpClient()
            .send(
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + practice.port() + "/"))
                    .header("Accept", "text/html")
                    .build(),
                HttpResponse.BodyHandlers.ofString())
            .body();
    String script = html.replaceFirst("(?s).*src=\"(/assets/[^\"]+\\.js)\".*", "$1");
    HttpResponse<byte[]> answer =
        HttpClient.newHttpClient()
            .send(
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + practice.port() + script))
                    .header("Accept-Encoding", "br, gzip")
                    .build(),
                HttpResponse.BodyHandlers.ofByteArray());
    assertThat(answer.headers().firstValue("Content-Encoding")).contains("br");
    assertThat(answer.headers().firstValue("Cache-Control").orElse("")).contains("immutable");
  }

  @Test
  void whatAnybodyIsToldIsNotKeptByTheBrowser() throws Exception {
    assertThat(raw("GET /api/today HTTP/1.1\r\nHost: localhost\r\n\r\n"))
        .startsWith("HTTP/1.1 401")
        .contains("no-store");
  }

  /// Each of these was kept once, and broke a later page for good.
  @Test
  void whatIsMissingIsSaidAndNothingIsKept() {
    String adaeze = practice.visit("Adaeze Orland").get("id").asString();
    Answer before = practice.get("/api/visits/" + adaeze + "/consult");
    Answer consult =
        practice.put(
            "/api/visits/" + adaeze + "/consult",
            "{\"version\":%d,\"consult\":{\"phototypeScores\":{},\"conditions\":{},\"goals\":[],"
                    .formatted(before.body().get("version").asInt())
                + "\"looks\":{},\"lamp\":{},\"events\":[],\"products\":[],\"areas\":{},"
                + "\"notes\":\"\"}}");
    assertThat(consult.status()).isEqualTo(400);
    assertThat(consult.body().get("fields").get(0).get("field").asString()).contains("region");
    assertThat(practice.get("/api/visits/" + adaeze + "/consult").body()).isEqualTo(before.body());

    String running = practice.visit("Jonas Arkwright").get("treatmentId").asString();
    int events = practice.get("/api/treatments/" + running).body().at("/couch/log/events").size();
    for (String fact :
        List.of(
            "{\"type\":\"WhiteningSeen\",\"zones\":[\"CHIN\"]}",
            "{\"type\":\"WhiteningSeen\",\"zones\":[null],\"whitening\":\"F1\"}",
            "{\"type\":\"SensationAnswered\"}",
            "null",
            "{}")) {
      Answer answer =
          practice.post(
              "/api/treatments/" + running + "/events",
              "{\"id\":\"%s\",\"at\":\"%s\",\"fact\":%s}"
                  .formatted(UUID.randomUUID(), Instant.now(), fact));
      assertThat(answer.status()).as(fact).isEqualTo(400);
    }
    Answer after = practice.get("/api/treatments/" + running);
    assertThat(after.status()).isEqualTo(200);
    assertThat(after.body().at("/couch/log/events").size()).isEqualTo(events);

    assertThat(practice.put("/api/shelf/products", "{\"label\":{\"code\":\"X-1\"}}").status())
        .isEqualTo(400);
    assertThat(practice.get("/api/shelf").status()).isEqualTo(200);
    assertThat(practice.get("/api/today").status()).isEqualTo(200);
  }
}
