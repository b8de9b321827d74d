package ivesk.bench;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.treatment.fact.TreatmentEvent.NoteWritten;
import ivesk.server.treatment.Treatments;
import ivesk.server.treatment.Live;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
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
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.LongStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/// What it costs to take an event, beside a raw loop over the same database with the same
/// durability: insert a row of the same size, commit, CHECKPOINT SYNC. Both run side by side on the
/// same disk, one after the other, in each test.
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class EventBench {
  private static final String NOTE = "skin calm, client reads; the left cheek a little pinker";

  private ConfigurableApplicationContext application;
  private Treatments treatments;
  private TreatmentPlan plan;
  private UUID client;
  private Path folder;

  @BeforeAll
  void start() throws Exception {
    folder = Files.createTempDirectory("ivesk-bench-");
    application =
        SpringApplication.run(
            ivesk.server.IveskApplication.class,
            "--server.port=0",
            "--spring.profiles.active=demo",
            "--ivesk.zone=UTC",
            "--ivesk.data=" + folder.resolve("practice"));
    treatments = application.getBean(Treatments.class);
    UUID visit = treatments.openVisits().getFirst();
    plan = treatments.ofVisit(visit).orElseThrow().plan();
    client = application.getBean(VisitStore.class).get(visit).clientId();
    try (Connection raw = raw();
        Statement made = raw.createStatement()) {
      made.execute(
          "CREATE TABLE event (treatment UUID, seq INT, id UUID UNIQUE, at TIMESTAMP WITH TIME ZONE,"
              + " taken TIMESTAMP WITH TIME ZONE, who VARCHAR(40), fact JSON,"
              + " PRIMARY KEY (treatment, seq))");
    }
  }

  @AfterAll
  void stop() {
    application.close();
  }

  private Connection raw() throws SQLException {
    return DriverManager.getConnection(
        "jdbc:h2:file:" + folder.resolve("raw") + ";WRITE_DELAY=0;DB_CLOSE_DELAY=-1", "sa", "raw");
  }

  private UUID opened() {
    UUID visit = UUID.randomUUID();
    application
        .getBean(VisitStore.class)
        .add(new Visit(visit, client, Instant.now(), 45, "room 1", "ines", Optional.empty()));
    return treatments.open(visit, plan, "ines").id();
  }

  private long[] taken(UUID treatment, int events) {
    long[] nanos = new long[events];
    for (int i = 0; i < events; i++) {
      long begun = System.nanoTime();
      treatments.append(
          treatment, UUID.randomUUID(), Instant.now(), new NoteWritten(NOTE), "ines");
      nanos[i] = System.nanoTime() - begun;
    }
    return nanos;
  }

  private long[] written(int events) throws SQLException {
    UUID treatment = UUID.randomUUID();
    long[] nanos = new long[events];
    try (Connection raw = raw();
        PreparedStatement row =
            raw.prepareStatement(
                "INSERT INTO event VALUES (?, ?, ?, CURRENT_TIMESTAMP, CURRENT_TIMESTAMP, 'ines', ?"
                    + " FORMAT JSON)");
        Statement force = raw.createStatement()) {
      raw.setAutoCommit(false);
      for (int i = 0; i < events; i++) {
        long begun = System.nanoTime();
        row.setObject(1, treatment);
        row.setInt(2, i);
        row.setObject(3, UUID.randomUUID());
        row.setString(4, "{\"type\":\"NoteWritten\",\"v\":1,\"text\":\"" + NOTE + "\"}");
        row.executeUpdate();
        raw.commit();
        force.execute("CHECKPOINT SYNC");
        raw.commit();
        nanos[i] = System.nanoTime() - begun;
      }
    }
    return nanos;
  }

  private static double median(long[] nanos) {
    return LongStream.of(nanos).sorted().skip(nanos.length / 2).findFirst().orElseThrow() / 1e6;
  }

  private static void print(String words, Object... values) {
    System.out.println(String.format(Locale.ROOT, words, values));
  }

  @Test
  void oneWriter() throws SQLException {
    UUID treatment = opened();
    taken(treatment, 200);
    written(200);
    double ours = median(taken(treatment, 300));
    double raw = median(written(300));
    print(
        "one writer: %.2f ms an event, raw loop %.2f ms, %.1f times, allowed 3", ours, raw, ours / raw);
    assertThat(ours / raw).isLessThan(3);
  }

  @Test
  void eightWriters() throws Exception {
    List<UUID> eight = new ArrayList<>();
    for (int i = 0; i < 8; i++) eight.add(opened());
    double ours = aSecond(eight.stream().map(id -> (Callable<long[]>) () -> taken(id, 100)).toList());
    double raw = aSecond(eight.stream().map(id -> (Callable<long[]>) () -> written(100)).toList());
    print(
        "eight writers: %.0f events a second, raw loop %.0f, it takes %.1f times as long, allowed 3",
        ours, raw, raw / ours);
    assertThat(raw / ours).isLessThan(3);
  }

  private static double aSecond(List<Callable<long[]>> writers) throws Exception {
    long begun = System.nanoTime();
    try (ExecutorService threads = Executors.newFixedThreadPool(writers.size())) {
      List<Future<?>> all = new ArrayList<>();
      for (Callable<long[]> writer : writers) all.add(threads.submit(writer));
      for (Future<?> one : all) one.get();
    }
    return writers.size() * 100 / ((System.nanoTime() - begun) / 1e9);
  }

  @Test
  void theCostDoesNotGrowWithWhatWasBefore() {
    UUID treatment = opened();
    double first = median(taken(treatment, 200));
    taken(treatment, 600);
    double last = median(taken(treatment, 200));
    print("events 1 to 200: %.2f ms, 801 to 1,000: %.2f ms, allowed 1.5 times", first, last);
    assertThat(last / first).isLessThan(1.5);
    Live live = treatments.live(treatment);
    assertThat(live.events()).hasSize(1001);
  }
}
