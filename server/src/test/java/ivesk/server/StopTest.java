package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ThreadLocalRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/// A plain stop while screens write, again and again on the same data. `-Divesk.stops=50`, 3
/// without it.
class StopTest {
  private static final int STOPS = Integer.getInteger("ivesk.stops", 3);
  private static final int WRITERS = 3;

  private final ConcurrentLinkedQueue<String> acknowledged = new ConcurrentLinkedQueue<>();

  @Test
  void whatWasAcknowledgedIsThereAfterEveryStop(@TempDir Path folder) throws Exception {
    String profile = "demo";
    for (int stop = 1; stop <= STOPS + 1; stop++) {
      Practice practice = new Practice(Practice.start(profile, folder));
      practice.signIn("ines", "harbour");
      String treatment = practice.visit("Jonas Arkwright").get("treatmentId").asString();
      Set<String> kept = new HashSet<>();
      for (JsonNode event :
          practice.get("/api/treatments/" + treatment).body().at("/couch/log/events")) {
        kept.add(event.get("id").asString());
      }
      assertThat(kept).as("before stop " + stop).containsAll(acknowledged);
      List<Thread> writers = new ArrayList<>();
      for (int i = 0; i < WRITERS; i++) {
        writers.add(Thread.startVirtualThread(() -> write(practice, treatment)));
      }
      Thread.sleep(ThreadLocalRandom.current().nextInt(50, 400));
      practice.close();
      for (Thread writer : writers) writer.join();
      assertThat(Files.exists(folder.resolve("seal"))).as("sealed by stop " + stop).isTrue();
      profile = "start";
    }
    assertThat(acknowledged).hasSizeGreaterThan(STOPS);
    System.out.println(STOPS + " stops, " + acknowledged.size() + " acknowledged, none lost");
  }

  private void write(Practice practice, String treatment) {
    try {
      while (true) {
        String id = UUID.randomUUID().toString();
        Answer answer =
            practice.post(
                "/api/treatments/" + treatment + "/events?since=1000000",
                "{\"id\":\"%s\",\"at\":\"%s\",\"fact\":{\"type\":\"NoteWritten\",\"text\":\"calm\"}}"
                    .formatted(id, Instant.now()));
        if (answer.status() == 200) acknowledged.add(id);
        else if (answer.status() != 500 && answer.status() != 503) return;
      }
    } catch (UncheckedIOException stopped) {
      // The server is gone; what was under way is not acknowledged.
    }
  }
}
