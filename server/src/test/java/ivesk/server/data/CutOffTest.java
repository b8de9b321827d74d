package ivesk.server.data;

import static ivesk.server.data.Copies.copy;
import static ivesk.server.data.Copies.run;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ivesk.server.Practice;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationVersion;
import org.flywaydb.core.api.callback.Callback;
import org.flywaydb.core.api.callback.Context;
import org.flywaydb.core.api.callback.Event;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;

/// What a killed process leaves in the data folder: finished or undone by whoever comes next. All
/// instants of an upgrade by `-Divesk.instants=1`, each 20th without it.
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class CutOffTest {
  private static final String KEY = "kelp-lantern-47";
  private static final int EACH = Integer.getInteger("ivesk.instants", 20);
  private static final int KILLS = Integer.getInteger("ivesk.kills", 1);

  private Path made;

  @BeforeAll
  void make(@TempDir Path folder) throws IOException {
    made = folder.resolve("made");
    try (ConfigurableApplicationContext running = Practice.start("demo", made)) {
      running.getBean(Watermark.class).write();
      running.getBean(BackupService.class).backUp("test");
    }
  }

  private static void opens(DataFolder data, String... more) {
    opensWith(data, 14, more);
  }

  /// A command that reads leaves the seal as true as it was, so that nothing is read through.
  @ParameterizedTest
  @ValueSource(strings = {"verify", "doctor", "backup", "move"})
  void aCommandOnSealedDataLeavesThemSealed(String command, @TempDir Path folder) throws Exception {
    DataFolder data = copy(made, folder.resolve("data"));
    data.makeFolder();
    assertThat(Seal.holds(data)).isTrue();
    Path[] file = command.equals("move") ? new Path[] {folder.resolve("moved.zip")} : new Path[0];
    run(data, command, file);
    assertThat(Seal.holds(data)).as("sealed after " + command).isTrue();
    opens(data);
    assertThat(Seal.holds(data)).as("sealed after a start").isTrue();
  }

  /// The process itself is killed, at an instant of its work: what was there before or what was to
  /// come opens, whole. More instants by `-Divesk.kills=20`.
  @ParameterizedTest
  @ValueSource(strings = {"verify", "doctor", "backup", "move", "encrypt", "restore"})
  void aCommandThatIsKilledLeavesDataThatOpen(String command, @TempDir Path folder)
      throws Exception {
    Path key = Files.writeString(folder.resolve("key"), KEY);
    long whole = kill(command, copy(made, folder.resolve("whole")), key, Long.MAX_VALUE);
    Random random = new Random(command.hashCode());
    for (int i = 0; i < KILLS; i++) {
      DataFolder data = copy(made, folder.resolve("killed" + i));
      // The first third of a command is the virtual machine's own.
      kill(command, data, key, (long) (whole * (0.35 + 0.6 * random.nextDouble())));
      opens(data, "--ivesk.key-file=" + key);
    }
  }

  /// @param after so many milliseconds
  /// @return how long it ran, ms
  private static long kill(String command, DataFolder data, Path key, long after) throws Exception {
    List<String> line =
        new ArrayList<>(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-cp",
                System.getProperty("java.class.path"),
                "ivesk.server.IveskApplication",
                command));
    if (command.equals("move")) line.add(data.folder().resolve("moved.zip").toString());
    if (command.equals("restore")) {
      line.add(BackupFiles.newest(data.backups()).orElseThrow().toString());
    }
    line.add("--data=" + data.folder());
    if (command.equals("encrypt")) line.add("--key-file=" + key);
    long began = System.nanoTime();
    Process process =
        new ProcessBuilder(line)
            .redirectErrorStream(true)
            .redirectOutput(
                data.folder().resolveSibling(data.folder().getFileName() + ".said").toFile())
            .start();
    boolean ended = process.waitFor(Math.min(after, 60_000), TimeUnit.MILLISECONDS);
    long ran = Duration.ofNanos(System.nanoTime() - began).toMillis();
    process.destroyForcibly().waitFor();
    if (after == Long.MAX_VALUE) {
      assertThat(ended).isTrue();
      assertThat(process.exitValue())
          .as(Files.readString(data.folder().resolveSibling(data.folder().getFileName() + ".said")))
          .isZero();
    }
    return ran;
  }

  /// A seal that does not fit proves nothing: the data are whole, and the practice opens.
  @Test
  void dataWhoseSealDoesNotFitAreReadThroughAndOpen(@TempDir Path folder) throws Exception {
    DataFolder data = copy(made, folder);
    try (Connection database = DatabaseFile.open(data, data.database(), "");
        Statement asked = database.createStatement()) {
      asked.execute("UPDATE client SET comfort = 'written after the seal'");
    }
    assertThat(Seal.holds(data)).isFalse();
    opens(data);
  }

  /// Data that end before the watermark are refused, and what a restore would lose is said.
  @Test
  void dataThatEndBeforeTheWatermarkAreRefused(@TempDir Path folder) throws Exception {
    DataFolder data = copy(made, folder);
    Seal.remove(data);
    data.writeOwn(data.watermark(), "999999 abc");
    assertThatThrownBy(() -> Practice.start("start", folder))
        .isInstanceOf(StartRefused.class)
        .hasMessageContaining("its end is missing")
        .hasMessageContaining("The newest backup reaches until")
        .hasMessageContaining("what was entered after it would be lost");
    assertThatThrownBy(() -> run(data, "verify")).hasMessageContaining("its end is missing");
  }

  /// Killed before the first rename, and after each of the four.
  @ParameterizedTest
  @ValueSource(ints = {0, 1, 2, 3, 4})
  void aRestoreThatWasKilledIsFinishedByTheNextStart(int renames, @TempDir Path folder)
      throws Exception {
    DataFolder data = copy(made, folder);
    Path apart = Files.createDirectory(folder.resolve("restore-1"));
    DataFolder copy = Backups.unpack(data, BackupFiles.newest(data.backups()).orElseThrow(), apart);
    Files.write(data.database(), new byte[] {1, 2, 3});
    String kept = ".before-now";
    Journal.replacing(data, apart, kept);
    Path[][] moves = {
      {data.access(), data.access().resolveSibling("access" + kept)},
      {copy.access(), data.access()},
      {data.database(), data.database().resolveSibling("ivesk.mv.db" + kept)},
      {copy.database(), data.database()}
    };
    for (int i = 0; i < renames; i++) Files.move(moves[i][0], moves[i][1]);
    if (renames % 2 == 0) {
      opens(data);
    } else {
      assertThat(run(data, "verify")).contains("A restore was cut off and is finished now");
    }
    assertThat(folder.resolve("ivesk.mv.db" + kept)).hasBinaryContent(new byte[] {1, 2, 3});
    assertThat(folder.resolve("access" + kept)).exists();
    assertThat(names(folder)).doesNotContain("restore-1", "under-way");
  }

  private static List<String> names(Path folder) throws IOException {
    try (Stream<Path> files = Files.list(folder)) {
      return files.map(file -> file.getFileName().toString()).toList();
    }
  }

  /// What a killed backup or encryption leaves can be read by anybody: it goes.
  @Test
  void plainCopiesThatWereLeftAreSwept(@TempDir Path folder) throws Exception {
    DataFolder data = copy(made, folder);
    for (String name : List.of("proof-1", "restore-2", "check-3", "encrypt-4")) {
      Files.createDirectory(folder.resolve(name));
      Files.copy(data.database(), folder.resolve(name).resolve("ivesk.mv.db"));
    }
    Path unproven = data.backups().resolve("ivesk-20261201-020000.zip.unproven");
    Files.writeString(unproven, "half");
    assertThat(run(new DataFolder(folder, Optional.of(KEY)), "encrypt"))
        .contains("Closed by the key");
    assertThat(names(folder)).noneMatch(name -> name.matches("(proof|restore|check|encrypt)-.*"));
    assertThat(unproven).doesNotExist();
    Path key = Files.writeString(folder.resolve("key"), KEY);
    opens(data, "--ivesk.key-file=" + key);
  }

  /// A backup from before the key was given opens the practice no more than the key lets it.
  @Test
  void aPlainBackupRestoredOntoAClosedPracticeStaysClosed(@TempDir Path folder) throws Exception {
    DataFolder data = copy(made, folder);
    Path plain = BackupFiles.newest(data.backups()).orElseThrow();
    DataFolder closed = new DataFolder(folder, Optional.of(KEY));
    run(closed, "encrypt");
    assertThat(run(closed, "restore", plain)).contains("closed by the key now, as before");
    assertThat(closed.kind()).isEqualTo(DataFolder.Kind.CIPHER);
    Path key = Files.writeString(folder.resolve("key"), KEY);
    opens(data, "--ivesk.key-file=" + key);
  }

  /// An older encryption that was killed left no database under its name: nothing is begun afresh.
  @Test
  void nothingIsBegunAfreshWhereAPracticeWas(@TempDir Path folder) throws Exception {
    DataFolder data = copy(made, folder);
    Files.delete(data.database());
    assertThatThrownBy(() -> Practice.start("start", folder))
        .isInstanceOf(StartRefused.class)
        .hasMessageContaining("is missing")
        .hasMessageContaining("./ivesk restore");
    assertThat(data.database()).doesNotExist();
  }

  /// Killed in the very first start: what is half made was never used.
  @Test
  void aFirstStartThatWasCutOffBeginsAgain(@TempDir Path folder) throws Exception {
    DataFolder data = new DataFolder(folder, Optional.empty());
    Journal.creating(data);
    data.makeAccess(data.access());
    flyway(data, "3").migrate();
    try (ConfigurableApplicationContext running = Practice.start("start", folder)) {
      assertThat(
              running.getBean(JdbcClient.class).sql("SELECT * FROM addendum").query().listOfRows())
          .isEmpty();
    }
  }

  /// A database as the fifth version left it, upgraded with the folder frozen after every
  /// statement; each frozen folder is started on.
  @Test
  void anUpgradeCutOffAnywhereIsPutBackAndDone(@TempDir Path folder) throws Exception {
    DataFolder data = new DataFolder(folder.resolve("data"), Optional.empty());
    data.makeFolder();
    data.makeAccess(data.access());
    flyway(data, "5").migrate();
    write(data);
    List<Path> frozen = new ArrayList<>();
    new Upgrade(data, "", Clock.systemUTC())
        .migrate(
            flyway(
                data,
                "latest",
                new Callback() {
                  @Override
                  public boolean supports(Event event, Context context) {
                    return event == Event.AFTER_EACH_MIGRATE_STATEMENT
                        || event == Event.BEFORE_EACH_MIGRATE
                        || event == Event.AFTER_EACH_MIGRATE;
                  }

                  @Override
                  public boolean canHandleInTransaction(Event event, Context context) {
                    return true;
                  }

                  @Override
                  public void handle(Event event, Context context) {
                    try {
                      Path instant = folder.resolve("instant-" + frozen.size());
                      copy(data.folder(), instant);
                      frozen.add(instant);
                    } catch (IOException e) {
                      throw new java.io.UncheckedIOException(e);
                    }
                  }

                  @Override
                  public String getCallbackName() {
                    return "freeze";
                  }
                }));
    assertThat(frozen).hasSizeGreaterThan(100);
    assertThat(BackupFiles.all(data.backups())).as("a backup made before").hasSize(1);
    int putBack = 0;
    for (int i = 0; i < frozen.size(); i += EACH) {
      DataFolder instant = new DataFolder(frozen.get(i), Optional.empty());
      // The journal names the backup by its place, which a copy of the folder shares.
      if (Journal.settle(instant, instant.backups()).orElse("").contains("were put back"))
        putBack++;
      new Upgrade(instant, "", Clock.systemUTC()).migrate(flyway(instant, "latest"));
      try (Connection database = DatabaseFile.open(instant, instant.database(), "")) {
        Map<String, Long> rows = DatabaseFile.readThrough(database);
        assertThat(rows).as("instant " + i).containsEntry("CLIENT", 3L).containsKey("CHART_MERGE");
      }
    }
    System.out.println(
        frozen.size()
            + " instants of an upgrade, each "
            + EACH
            + "th opened; put back: "
            + putBack);
    assertThat(putBack).isEqualTo((frozen.size() + EACH - 1) / EACH);
    opensWith(new DataFolder(frozen.get(frozen.size() / 2), Optional.empty()), 3);
  }

  private static void opensWith(DataFolder data, int clients, String... more) {
    try (ConfigurableApplicationContext running = Practice.start("start", data.folder(), more)) {
      assertThat(
              running
                  .getBean(JdbcClient.class)
                  .sql("SELECT COUNT(*) FROM client")
                  .query(Integer.class)
                  .single())
          .isEqualTo(clients);
    }
  }

  private static Flyway flyway(DataFolder data, String version, Callback... callbacks)
      throws IOException {
    return Flyway.configure()
        .dataSource(data.url() + ";WRITE_DELAY=0", DatabaseFile.USER, data.password())
        .locations("classpath:db/migration")
        .target(MigrationVersion.fromVersion(version))
        .callbacks(callbacks)
        .load();
  }

  private static void write(DataFolder data) throws SQLException, IOException {
    try (Connection database = DatabaseFile.open(data, data.database(), "");
        Statement asked = database.createStatement()) {
      asked.execute("INSERT INTO account VALUES ('ines', 'Ines', 'x', 'OWNER')");
      for (int i = 0; i < 3; i++) {
        asked.execute(
            "INSERT INTO client (id, name, date_of_birth) VALUES (RANDOM_UUID(), 'Client "
                + i
                + "', DATE '1990-01-01')");
      }
      asked.execute(
          "INSERT INTO audit (at, who, what, subject) VALUES (CURRENT_TIMESTAMP, 'ines', 'read', 'x')");
    }
  }
}
