package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/// kill -9 in mid-write, again and again on the same data: what was acknowledged is there, once and
/// in its order, and what was not is there at most once. `-Divesk.kills=1000`, 25 without it.
class KillBench {
  private static final int KILLS = Integer.getInteger("ivesk.kills", 25);
  private static final int WRITERS = 4;

  private final CookieManager cookies = new CookieManager();
  private final HttpClient http = HttpClient.newBuilder().cookieHandler(cookies).build();
  private final List<String> acknowledged = Collections.synchronizedList(new ArrayList<>());
  private final List<String> sent = Collections.synchronizedList(new ArrayList<>());
  private ServerProcess server;

  @AfterEach
  void stop() {
    if (server != null) server.close();
  }

  @Test
  void whatWasAcknowledgedOutlivesEveryKill() throws Exception {
    long seed = Long.getLong("ivesk.seed", 11);
    Random random = new Random(seed);
    Instant now = Journey.NOW;
    server = ServerProcess.demo("kills", now);
    get("/api/session");
    assertThat(post("/api/sign-in", "{\"username\":\"rolf\",\"password\":\"harbour\"}"))
        .isEqualTo(204);
    get("/api/session");
    String treatment = running();
    for (int kill = 1; kill <= KILLS; kill++) {
      List<Thread> writers = new ArrayList<>();
      for (int i = 0; i < WRITERS; i++)
        writers.add(Thread.startVirtualThread(() -> write(treatment)));
      Thread.sleep(random.nextInt(40, 900));
      server.kill();
      for (Thread writer : writers) writer.join();
      now = now.plusSeconds(3);
      server.start(now);
      List<String> kept = ids(get("/api/treatments/" + treatment));
      assertThat(kept).as("once each, kill " + kill + " of seed " + seed).doesNotHaveDuplicates();
      Set<String> lost = new HashSet<>(acknowledged);
      kept.forEach(lost::remove);
      assertThat(lost).as("acknowledged and lost, kill " + kill + " of seed " + seed).isEmpty();
    }
    System.out.println(
        KILLS
            + " kills, seed "
            + seed
            + ": "
            + sent.size()
            + " sent, "
            + acknowledged.size()
            + " acknowledged, none of them lost or doubled");
    assertThat(acknowledged).hasSizeGreaterThan(KILLS);
    server.kill();
    assertThat(server.command("verify")).contains("the chain is whole");
  }

  private void write(String treatment) {
    try {
      while (true) {
        String id = UUID.randomUUID().toString();
        sent.add(id);
        int status =
            post(
                "/api/treatments/" + treatment + "/events?since=1000000",
                "{\"id\":\"%s\",\"at\":\"%s\",\"fact\":{\"type\":\"NoteWritten\",\"text\":\"calm\"}}"
                    .formatted(id, "2026-11-25T23:00:00Z"));
        if (status == 200) acknowledged.add(id);
      }
    } catch (IOException | InterruptedException killed) {
      // What was under way is not acknowledged.
    }
  }

  private String running() throws IOException, InterruptedException {
    Matcher found =
        Pattern.compile("\"running\":\\{\"treatmentId\":\"([^\"]+)\"").matcher(get("/api/today"));
    assertThat(found.find()).as("a peel that runs").isTrue();
    return found.group(1);
  }

  private static List<String> ids(String treatment) {
    List<String> ids = new ArrayList<>();
    String events =
        treatment.substring(treatment.indexOf("\"events\":["), treatment.indexOf("\"planned\":{"));
    Matcher found = Pattern.compile("\\{\"id\":\"([^\"]+)\"").matcher(events);
    while (found.find()) ids.add(found.group(1));
    return ids;
  }

  private String get(String path) throws IOException, InterruptedException {
    HttpResponse<String> answer =
        http.send(
            HttpRequest.newBuilder(URI.create(server.url(path))).build(),
            HttpResponse.BodyHandlers.ofString());
    assertThat(answer.statusCode()).as(path).isEqualTo(200);
    return answer.body();
  }

  private int post(String path, String json) throws IOException, InterruptedException {
    HttpRequest.Builder request =
        HttpRequest.newBuilder(URI.create(server.url(path)))
            .header("Content-Type", "application/json")
            .POST(HttpRequest.BodyPublishers.ofString(json));
    cookies.getCookieStore().getCookies().stream()
        .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
        .map(HttpCookie::getValue)
        .forEach(token -> request.setHeader("X-XSRF-TOKEN", token));
    return http.send(request.build(), HttpResponse.BodyHandlers.discarding()).statusCode();
  }
}
