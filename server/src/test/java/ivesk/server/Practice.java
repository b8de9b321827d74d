package ivesk.server;

import ivesk.server.data.Archive;
import ivesk.server.data.Archive.Form;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.util.FileSystemUtils;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// The real application on a free port with the demo's practice in it, and somebody signed in.
public final class Practice implements AutoCloseable {
  static final JsonMapper JSON = JsonMapper.builder().build();

  private final ConfigurableApplicationContext application;
  private final String base;
  private final CookieManager cookies = new CookieManager();
  private final HttpClient http = HttpClient.newBuilder().cookieHandler(cookies).build();

  Practice(ConfigurableApplicationContext application) {
    this.application = application;
    base =
        "http://127.0.0.1:" + ((WebServerApplicationContext) application).getWebServer().getPort();
  }

  static Practice open() {
    return openIn("UTC");
  }

  /// The application alone, with data of its own.
  public static ConfigurableApplicationContext start(String profile) {
    return start("UTC", profile, profile.equals("demo") ? demo("UTC") : folder());
  }

  /// The application alone, on data that are there.
  public static ConfigurableApplicationContext start(String profile, Path data, String... more) {
    return start("UTC", profile, data, more);
  }

  /// The demo's practice somewhere else than on the prime meridian.
  static Practice openIn(String zone) {
    return new Practice(start(zone, "demo", demo(zone)));
  }

  /// A second practice, with ids of its own.
  static Practice elsewhere() {
    return new Practice(start("UTC", "demo", folder()));
  }

  /// Demo practices as they were made, by their zone: made once in this JVM, then copied.
  private static final Map<String, Path> MADE = new ConcurrentHashMap<>();

  private static Path demo(String zone) {
    Path made =
        MADE.computeIfAbsent(
            zone,
            of -> {
              Path data = folder();
              start(of, "demo", data).close();
              return data;
            });
    Path copy = folder();
    try {
      FileSystemUtils.copyRecursively(made, copy);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return copy;
  }

  private static Path folder() {
    try {
      return Files.createTempDirectory("ivesk-test-");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static ConfigurableApplicationContext start(
      String zone, String profile, Path data, String... more) {
    return SpringApplication.run(
        IveskApplication.class,
        Stream.concat(
                Stream.of(
                    "--server.port=0",
                    "--spring.profiles.active=" + profile,
                    "--ivesk.zone=" + zone,
                    "--ivesk.data=" + data.toAbsolutePath()),
                Stream.of(more))
            .toArray(String[]::new));
  }

  /// An answer: its status and its body as JSON.
  record Answer(int status, String contentType, JsonNode body) {
    String detail() {
      return body.path("detail").asString();
    }
  }

  /// How long an answer is as plain JSON, bytes.
  static int bytes(JsonNode answer) {
    return answer.toString().getBytes(StandardCharsets.UTF_8).length;
  }

  /// What is said in Ready, step by step, until nothing is open.
  ///
  /// @param steps as a treatment that was just opened tells them
  static List<String> readied(JsonNode steps) {
    List<String> facts = new ArrayList<>();
    for (JsonNode step : steps) {
      String id = step.get("id").asString();
      switch (id) {
        case "BASELINE" -> facts.add("{\"type\":\"RednessSeen\",\"grades\":{\"CHIN\":0}}");
        case "GATE_A" -> {
          facts.add("{\"type\":\"SensationAnswered\",\"value\":1}");
          facts.add("{\"type\":\"GateADecided\",\"choice\":\"KEEP\",\"note\":\"\"}");
        }
        default -> facts.add("{\"type\":\"StepDone\",\"step\":\"%s\",\"note\":\"\"}".formatted(id));
      }
    }
    return facts;
  }

  /// The id of a client of the demo.
  String client(String name) {
    return get("/api/clients?find=" + name.replace(" ", "%20"))
        .body()
        .get("clients")
        .get(0)
        .get("id")
        .asString();
  }

  /// A file of everything, or of one client.
  static byte[] file(Archive archive, Form form, Optional<UUID> client) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    archive.write(out, form, client);
    return out.toByteArray();
  }

  Practice signIn(String name, String password) {
    freshSignIn(name, password);
    return this;
  }

  Answer trySignIn(String name, String password) {
    return post(
        "/api/sign-in", JSON.writeValueAsString(Map.of("username", name, "password", password)));
  }

  /// As somebody who opens the page first.
  Answer freshSignIn(String name, String password) {
    get("/api/session");
    return trySignIn(name, password);
  }

  String cookie(String name) {
    return cookies.getCookieStore().getCookies().stream()
        .filter(cookie -> cookie.getName().equals(name))
        .map(HttpCookie::getValue)
        .findFirst()
        .orElseThrow();
  }

  void setCookie(String name, String value) {
    HttpCookie cookie = new HttpCookie(name, value);
    cookie.setPath("/");
    cookie.setVersion(0);
    cookies.getCookieStore().add(URI.create(base), cookie);
  }

  /// Another browser on the same server, where nobody is signed in.
  Practice another() {
    return new Practice(application);
  }

  Answer get(String path) {
    return send(request(path));
  }

  Answer getWith(String path, String header, String value) {
    return send(request(path).header(header, value));
  }

  Answer postWith(String path, String json, String header, String value) {
    return send(
        request(path)
            .header(header, value)
            .header("Content-Type", "application/json")
            .POST(HttpRequest.BodyPublishers.ofString(json)));
  }

  byte[] bytes(String path) {
    try {
      return http.send(request(path).build(), HttpResponse.BodyHandlers.ofByteArray()).body();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  /// What is no JSON, as it comes.
  String text(String path) {
    try {
      return http.send(request(path).build(), HttpResponse.BodyHandlers.ofString()).body();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  Answer post(String path, String json) {
    return write("POST", path, json);
  }

  Answer postAs(String path, String type, String body) {
    return send(
        request(path).header("Content-Type", type).POST(HttpRequest.BodyPublishers.ofString(body)));
  }

  /// A file, as it is.
  Answer post(String path, byte[] file) {
    return send(
        request(path)
            .header("Content-Type", "application/octet-stream")
            .POST(HttpRequest.BodyPublishers.ofByteArray(file)));
  }

  /// Sends the beginning of a file and goes away, as a browser does that was told to stop.
  void postHalf(String path, byte[] file) throws IOException {
    String head =
        "POST "
            + path
            + " HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/octet-stream\r\n"
            + "Content-Length: "
            + file.length
            + "\r\nX-XSRF-TOKEN: "
            + cookie("XSRF-TOKEN")
            + "\r\nCookie: "
            + cookies.getCookieStore().getCookies().stream()
                .map(one -> one.getName() + "=" + one.getValue())
                .collect(Collectors.joining("; "))
            + "\r\n\r\n";
    try (Socket socket = new Socket("127.0.0.1", port())) {
      socket.getOutputStream().write(head.getBytes(StandardCharsets.ISO_8859_1));
      socket.getOutputStream().write(file, 0, file.length / 2);
      socket.getOutputStream().flush();
      socket.setSoLinger(true, 0);
    }
  }

  Answer put(String path, String json) {
    return write("PUT", path, json);
  }

  Answer delete(String path) {
    return send(request(path).DELETE());
  }

  /// A read by somebody who has not signed in.
  Answer asStranger(String path) {
    return send(HttpRequest.newBuilder(URI.create(base + path)), HttpClient.newHttpClient());
  }

  /// A write without the token that the page was given.
  Answer forged(String path) {
    return send(
        HttpRequest.newBuilder(URI.create(base + path))
            .header("Content-Type", "application/json")
            .POST(HttpRequest.BodyPublishers.ofString("{}")));
  }

  private Answer write(String method, String path, String json) {
    return send(
        request(path)
            .header("Content-Type", "application/json")
            .method(method, HttpRequest.BodyPublishers.ofString(json)));
  }

  private HttpRequest.Builder request(String path) {
    HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path));
    cookies.getCookieStore().getCookies().stream()
        .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
        .map(HttpCookie::getValue)
        .filter(value -> !value.isEmpty())
        .forEach(value -> request.setHeader("X-XSRF-TOKEN", value));
    return request;
  }

  private Answer send(HttpRequest.Builder request) {
    return send(request, http);
  }

  Answer any(String method, String path) {
    return method.equals("GET")
        ? get(path)
        : method.equals("DELETE") ? delete(path) : write(method, path, "{}");
  }

  private static Answer send(HttpRequest.Builder request, HttpClient from) {
    try {
      HttpResponse<String> answer =
          from.send(request.build(), HttpResponse.BodyHandlers.ofString());
      String body = answer.body();
      return new Answer(
          answer.statusCode(),
          answer.headers().firstValue("Content-Type").orElse(""),
          body.startsWith("{") || body.startsWith("[")
              ? JSON.readTree(body)
              : JSON.createObjectNode());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  /// The newest visit of a client.
  JsonNode visit(String client) {
    for (JsonNode one : get("/api/clients").body().get("clients")) {
      if (!one.get("name").asString().equals(client)) continue;
      JsonNode visits = get("/api/clients/" + one.get("id").asString() + "/visits").body();
      return visits.get(visits.size() - 1);
    }
    throw new AssertionError("no client " + client);
  }

  int port() {
    return URI.create(base).getPort();
  }

  /// As a bean would tell it.
  void tell(Object event) {
    application.publishEvent(event);
  }

  <T> T bean(Class<T> type) {
    return application.getBean(type);
  }

  /// Where there are several of its kind.
  <T> T bean(String name, Class<T> type) {
    return application.getBean(name, type);
  }

  @Override
  public void close() {
    application.close();
  }
}
