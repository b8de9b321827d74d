package ivesk.bench;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.practice.PolicyQuestion;
import ivesk.server.practice.PracticeStore;
import ivesk.server.treatment.Treatments;
import ivesk.server.visit.VisitStore.Visit;
import ivesk.server.visit.VisitStore;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.SynchronousQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// Two hundred peels on two hundred couches, each followed by another screen: how long an event
/// takes until it is acknowledged over loopback, beside a raw loop on the same disk with the same
/// durability (insert, commit, CHECKPOINT SYNC) in the same run.
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class CouchBench {
  private static final int COUCHES = 200;

  /// An answer each half minute is the closest check-in; this is ten times as often.
  private static final int EVERY_MS = 3_000;

  private static final int ROUNDS = Integer.getInteger("ivesk.rounds", 10);

  private final CookieManager cookies = new CookieManager();
  private final HttpClient http = HttpClient.newBuilder().cookieHandler(cookies).build();
  private ConfigurableApplicationContext application;
  private Path folder;
  private String base;

  @BeforeAll
  void start() throws Exception {
    folder = Files.createTempDirectory("ivesk-couches-");
    application =
        SpringApplication.run(
            ivesk.server.IveskApplication.class,
            "--server.port=0",
            "--spring.profiles.active=demo",
            "--ivesk.zone=UTC",
            "--ivesk.data=" + folder.resolve("practice"));
    base =
        "http://127.0.0.1:" + ((WebServerApplicationContext) application).getWebServer().getPort();
    get("/api/session");
    assertThat(post("/api/sign-in", "{\"username\":\"ines\",\"password\":\"harbour\"}"))
        .isEqualTo(204);
    get("/api/session");
  }

  @AfterAll
  void stop() {
    application.close();
  }

  @Test
  void twoHundredCouchesWithFollowers() throws Exception {
    Treatments treatments = application.getBean(Treatments.class);
    VisitStore visits = application.getBean(VisitStore.class);
    UUID running = treatments.openVisits().getFirst();
    TreatmentPlan plan = treatments.ofVisit(running).orElseThrow().plan();
    UUID client = visits.get(running).clientId();
    List<UUID> couches = new ArrayList<>();
    for (int i = 0; i < COUCHES; i++) {
      UUID visit = UUID.randomUUID();
      visits.add(new Visit(visit, client, Instant.now(), 45, "room 1", "ines", Optional.empty()));
      couches.add(treatments.open(visit, plan, "ines").id());
    }
    AtomicInteger heard = new AtomicInteger();
    List<Thread> followers =
        couches.stream().map(id -> Thread.startVirtualThread(() -> follow(id, heard))).toList();
    ConcurrentLinkedQueue<Long> nanos = new ConcurrentLinkedQueue<>();
    // The first rounds warm it up.
    round(couches, 2, new ConcurrentLinkedQueue<>());
    round(couches, ROUNDS, nanos);
    long[] raw = raw(300);
    print(
        "%d couches, %d events: p50 %.1f ms, p99 %.1f ms until acknowledged; followers heard %d",
        COUCHES, nanos.size(), at(nanos, 0.5), at(nanos, 0.99), heard.get());
    print(
        "raw loop: p50 %.1f ms, p99 %.1f ms; ratio p50 %.1f, p99 %.1f",
        at(raw, 0.5), at(raw, 0.99), at(nanos, 0.5) / at(raw, 0.5), at(nanos, 0.99) / at(raw, 0.99));
    followers.forEach(Thread::interrupt);
    assertThat(nanos).hasSize(COUCHES * ROUNDS);
    assertThat(heard.get()).as("each follower hears").isGreaterThan(COUCHES * ROUNDS);
    assertThat(at(nanos, 0.99)).as("an answer is acknowledged within a second").isLessThan(1_000);
  }

  /// From the tap on the client's phone until the couch holds the answer: said, told to the couch by
  /// its stream, fetched by it. 200 ms is what is asked.
  @Test
  void aHandsetIsHeardOnTheCouch() throws Exception {
    application.getBean(PracticeStore.class).answer(PolicyQuestion.HANDSET, "on", "thea", Instant.now());
    String visit = "";
    for (JsonNode one : read(asked("GET", "/api/today", null)).get("visits")) {
      if (one.get("clientName").asString().equals("Maren Holt")) visit = one.get("id").asString();
    }
    String couch =
        "/api/treatments/"
            + read(asked("POST", "/api/visits/" + visit + "/treatment", "")).get("couch").get("id").asString();
    String code = read(asked("POST", couch + "/handset", "")).get("code").asString();
    assertThat(post("/api/handset", "{\"code\":\"" + code + "\"}")).isEqualTo(200);
    SynchronousQueue<Long> heard = new SynchronousQueue<>();
    Thread follower = Thread.startVirtualThread(() -> fetch(couch, heard));
    Thread.sleep(500);
    List<Long> nanos = new ArrayList<>();
    for (int i = 0; i < 50; i++) {
      long sent = System.nanoTime();
      assertThat(
              post(
                  "/api/handset/said",
                  "{\"id\":\"%s\",\"fact\":{\"type\":\"SensationAnswered\",\"value\":%d}}"
                      .formatted(UUID.randomUUID(), i % 4)))
          .isEqualTo(200);
      Long at = heard.poll(5, TimeUnit.SECONDS);
      assertThat(at).as("heard").isNotNull();
      nanos.add(at - sent);
      Thread.sleep(1_100);
    }
    follower.interrupt();
    print("from handset to couch: p50 %.1f ms, p99 %.1f ms", at(nanos, 0.5), at(nanos, 0.99));
    assertThat(at(nanos, 0.99)).isLessThan(200);
  }

  /// As a couch does: at each message of the stream what is new is asked for.
  private void fetch(String couch, SynchronousQueue<Long> heard) {
    try (Stream<String> lines =
        http.send(
                HttpRequest.newBuilder(URI.create(base + couch + "/stream")).build(),
                HttpResponse.BodyHandlers.ofLines())
            .body()) {
      lines
          .filter(line -> line.startsWith("data:"))
          .forEach(line -> {
            try {
              asked("GET", couch + "?since=1000000", null);
              heard.offer(System.nanoTime(), 1, TimeUnit.SECONDS);
            } catch (Exception e) {
              throw new IllegalStateException(e);
            }
          });
    } catch (Exception e) {
      // The bench is over.
    }
  }

  /// Each couch says something every three seconds, not all at the same moment.
  private void round(List<UUID> couches, int rounds, ConcurrentLinkedQueue<Long> nanos)
      throws InterruptedException {
    List<Thread> writers = new ArrayList<>();
    for (int i = 0; i < couches.size(); i++) {
      UUID id = couches.get(i);
      long offset = (long) EVERY_MS * i / couches.size();
      writers.add(
          Thread.startVirtualThread(
              () -> {
                long begun = System.nanoTime();
                for (int n = 0; n < rounds; n++) {
                  sleepUntil(begun + (offset + (long) n * EVERY_MS) * 1_000_000);
                  long sent = System.nanoTime();
                  say(id, n % 4);
                  nanos.add(System.nanoTime() - sent);
                }
              }));
    }
    for (Thread writer : writers) writer.join();
  }

  private static void sleepUntil(long nanos) {
    long left = nanos - System.nanoTime();
    if (left <= 0) return;
    try {
      Thread.sleep(left / 1_000_000, (int) (left % 1_000_000));
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }

  private void say(UUID treatment, int value) {
    try {
      assertThat(
              post(
                  "/api/treatments/" + treatment + "/events?since=1000000",
                  "{\"id\":\"%s\",\"at\":\"%s\",\"fact\":{\"type\":\"SensationAnswered\",\"value\":%d}}"
                      .formatted(UUID.randomUUID(), Instant.now(), value)))
          .isEqualTo(200);
    } catch (Exception e) {
      throw new IllegalStateException(e);
    }
  }

  private void follow(UUID treatment, AtomicInteger heard) {
    try (Stream<String> lines =
        http.send(
                HttpRequest.newBuilder(URI.create(base + "/api/treatments/" + treatment + "/stream"))
                    .build(),
                HttpResponse.BodyHandlers.ofLines())
            .body()) {
      lines.filter(line -> line.startsWith("data:")).forEach(line -> heard.incrementAndGet());
    } catch (Exception e) {
      // The bench is over.
    }
  }

  private long[] raw(int events) throws SQLException {
    long[] nanos = new long[events];
    try (Connection raw =
            DriverManager.getConnection(
                "jdbc:h2:file:" + folder.resolve("raw") + ";WRITE_DELAY=0", "sa", "raw");
        Statement statement = raw.createStatement()) {
      statement.execute(
          "CREATE TABLE event (treatment UUID, seq INT, id UUID UNIQUE, at TIMESTAMP WITH TIME ZONE,"
              + " taken TIMESTAMP WITH TIME ZONE, who VARCHAR(40), fact JSON,"
              + " PRIMARY KEY (treatment, seq))");
      raw.setAutoCommit(false);
      try (PreparedStatement row =
          raw.prepareStatement(
              "INSERT INTO event VALUES (?, ?, ?, CURRENT_TIMESTAMP, CURRENT_TIMESTAMP, 'ines', ?"
                  + " FORMAT JSON)")) {
        UUID treatment = UUID.randomUUID();
        for (int i = 0; i < events; i++) {
          long begun = System.nanoTime();
          row.setObject(1, treatment);
          row.setInt(2, i);
          row.setObject(3, UUID.randomUUID());
          row.setString(4, "{\"type\":\"SensationAnswered\",\"v\":1,\"value\":2}");
          row.executeUpdate();
          raw.commit();
          statement.execute("CHECKPOINT SYNC");
          raw.commit();
          nanos[i] = System.nanoTime() - begun;
        }
      }
    }
    return nanos;
  }

  private static double at(long[] nanos, double part) {
    return at(java.util.Arrays.stream(nanos).boxed().toList(), part);
  }

  private static double at(java.util.Collection<Long> nanos, double part) {
    List<Long> sorted = nanos.stream().sorted().toList();
    return sorted.get((int) Math.min(sorted.size() - 1L, Math.round(part * sorted.size()))) / 1e6;
  }

  private static void print(String words, Object... values) {
    System.out.println(String.format(Locale.ROOT, words, values));
  }

  private void get(String path) throws Exception {
    http.send(
        HttpRequest.newBuilder(URI.create(base + path)).build(),
        HttpResponse.BodyHandlers.discarding());
  }

  private int post(String path, String json) throws Exception {
    return sent("POST", path, json).statusCode();
  }

  private static JsonNode read(String json) {
    return JsonMapper.shared().readTree(json);
  }

  private String asked(String method, String path, String json) throws Exception {
    return sent(method, path, json).body();
  }

  private HttpResponse<String> sent(String method, String path, String json) throws Exception {
    HttpRequest.Builder request =
        HttpRequest.newBuilder(URI.create(base + path))
            .header("Content-Type", "application/json")
            .method(
                method,
                json == null
                    ? HttpRequest.BodyPublishers.noBody()
                    : HttpRequest.BodyPublishers.ofString(json));
    cookies.getCookieStore().getCookies().stream()
        .filter(cookie -> cookie.getName().equals("XSRF-TOKEN") && !cookie.getValue().isEmpty())
        .map(HttpCookie::getValue)
        .forEach(token -> request.setHeader("X-XSRF-TOKEN", token));
    return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
  }
}
