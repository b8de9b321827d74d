package ivesk.server.data;

import static ivesk.server.data.Copies.run;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ivesk.server.Practice;
import ivesk.server.app.Audit;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.Statement;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;

/// The practice's data as files: whole, damaged, backed up, restored, closed by a key.
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class DataTest {
  private static final String KEY = "kelp-lantern-47";

  /// A practice as it was closed, with a backup of it.
  private Path made;

  private long rows;
  private int events;

  @BeforeAll
  void make(@TempDir Path folder) throws IOException {
    made = folder.resolve("made");
    try (ConfigurableApplicationContext running = Practice.start("demo", made)) {
      running.getBean(Audit.class).seal();
      running.getBean(Watermark.class).write();
      rows = running.getBean(BackupService.class).backUp("test").allRows();
      events = events(running);
    }
    assertThat(rows).isGreaterThan(500);
  }

  private DataFolder copy(Path into) throws IOException {
    return Copies.copy(made, into);
  }

  enum Damage {
    EMPTY,
    CUT_AT_4_KB,
    CUT_AT_64_KB,
    HALF,
    HEADER_ZEROED,
    FLIPPED_20,
    FLIPPED_500,
    TEXT;

    void in(Path file) throws IOException {
      byte[] whole = Files.readAllBytes(file);
      Random random = new Random(11);
      Files.write(
          file,
          switch (this) {
            case EMPTY -> new byte[0];
            case CUT_AT_4_KB -> Arrays.copyOf(whole, 4 << 10);
            case CUT_AT_64_KB -> Arrays.copyOf(whole, 64 << 10);
            case HALF -> Arrays.copyOf(whole, whole.length / 2);
            case HEADER_ZEROED -> {
              Arrays.fill(whole, 0, 8192, (byte) 0);
              yield whole;
            }
            case FLIPPED_20 -> flipped(whole, 20, random);
            case FLIPPED_500 -> flipped(whole, 500, random);
            case TEXT -> "Shopping: bread, tea, a new kettle.".getBytes(StandardCharsets.UTF_8);
          });
    }

    private static byte[] flipped(byte[] whole, int bytes, Random random) {
      for (int i = 0; i < bytes; i++) whole[random.nextInt(whole.length)] ^= (byte) 0xFF;
      return whole;
    }
  }

  @ParameterizedTest
  @EnumSource
  void aFileThatWasDamagedAtRestIsNotStartedOn(Damage damage, @TempDir Path folder)
      throws IOException {
    DataFolder data = copy(folder);
    damage.in(data.database());
    byte[] damaged = Files.readAllBytes(data.database());
    try (ConfigurableApplicationContext running = Practice.start("start", folder)) {
      everythingIsThere(running);
    } catch (StartRefused said) {
      List<String> lines = said.getMessage().lines().toList();
      assertThat(lines).hasSize(2);
      assertThat(lines.get(0)).startsWith("The practice's data are damaged: " + data.database());
      assertThat(lines.get(1)).contains("./ivesk restore " + data.backups());
      assertThat(Files.readAllBytes(data.database())).as("left as it is").isEqualTo(damaged);
    }
  }

  /// The damage may lie where nothing stands, in the second half of a file that the time for
  /// closing was too short to make smaller for instance. Then it is no damage.
  private void everythingIsThere(ConfigurableApplicationContext running) {
    assertThat(clients(running)).isEqualTo(14);
    assertThat(events(running)).isEqualTo(events);
  }

  /// A file of ten years is not read through at each start after a power cut; it is looked at, and
  /// written on as any other.
  @Test
  void aLargeFileIsWrittenOnAfterAPowerCut(@TempDir Path folder) throws Exception {
    DataFolder data = copy(folder);
    Files.delete(data.seal());
    try (ConfigurableApplicationContext running =
        Practice.start("start", folder, "--ivesk.read-through-mb=0")) {
      running.getBean(Audit.class).note("test", "write", "practice");
    }
    assertThat(data.seal()).as("no sum of a large file").doesNotExist();
  }

  @ParameterizedTest
  @EnumSource
  void afterAPowerCutToo(Damage damage, @TempDir Path folder) throws Exception {
    DataFolder data = copy(folder);
    Files.delete(data.seal());
    damage.in(data.database());
    try (ConfigurableApplicationContext running = Practice.start("start", folder)) {
      everythingIsThere(running);
    } catch (StartRefused said) {
      assertThat(said.getMessage().lines()).hasSize(2);
    }

    Path backup = BackupFiles.newest(data.backups()).orElseThrow();
    assertThat(run(data, "restore", backup)).contains("Restored: " + rows + " rows");
    try (ConfigurableApplicationContext running = Practice.start("start", folder)) {
      assertThat(clients(running)).isEqualTo(14);
    }
    try (Stream<Path> kept = Files.list(folder)) {
      assertThat(kept.map(file -> file.getFileName().toString()))
          .anyMatch(name -> name.startsWith("ivesk.mv.db.before-"));
    }
  }

  private static int events(ConfigurableApplicationContext running) {
    return running
        .getBean(JdbcClient.class)
        .sql("SELECT COUNT(*) FROM treatment_event")
        .query(Integer.class)
        .single();
  }

  private static int clients(ConfigurableApplicationContext running) {
    return running
        .getBean(JdbcClient.class)
        .sql("SELECT COUNT(*) FROM client")
        .query(Integer.class)
        .single();
  }

  @Test
  void theFilesAreThisAccountsAlone(@TempDir Path folder) throws IOException {
    DataFolder data = new DataFolder(folder, Optional.empty());
    try (ConfigurableApplicationContext running = Practice.start("start", folder)) {
      assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(data.folder())))
          .isEqualTo("rwx------");
      for (Path file : List.of(data.database(), data.access())) {
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
            .isEqualTo("rw-------");
      }
    }
    assertThatThrownBy(
            () -> java.sql.DriverManager.getConnection(data.url() + ";IFEXISTS=TRUE", "ivesk", ""))
        .hasMessageContaining("Wrong user name or password");
  }

  /// A database of before, without a password, and the power gone while it was given one.
  @ParameterizedTest
  @ValueSource(booleans = {false, true})
  void aPowerCutWhileThePasswordIsGiven(boolean given, @TempDir Path folder) throws Exception {
    DataFolder data = copy(folder);
    String fresh = "0123456789abcdef";
    try (Connection database = DatabaseFile.open(data, data.database(), "");
        Statement asked = database.createStatement()) {
      asked.execute("ALTER USER ivesk SET PASSWORD '" + (given ? fresh : "") + "'");
    }
    Files.delete(data.access());
    Files.delete(data.seal());
    Files.writeString(data.freshAccess(), fresh);
    try (ConfigurableApplicationContext running = Practice.start("start", folder)) {
      assertThat(events(running)).isEqualTo(events);
    }
    assertThat(Files.readString(data.access())).isEqualTo(fresh);
    assertThat(data.freshAccess()).doesNotExist();
    assertThatThrownBy(
            () -> java.sql.DriverManager.getConnection(data.url() + ";IFEXISTS=TRUE", "ivesk", ""))
        .hasMessageContaining("Wrong user name or password");
  }

  @Test
  void aSecondServerOnTheSameDataSaysSo(@TempDir Path folder) throws Exception {
    DataFolder data = copy(folder);
    try (ConfigurableApplicationContext running = Practice.start("start", folder)) {
      assertThatThrownBy(() -> Practice.start("start", folder))
          .isInstanceOf(StartRefused.class)
          .hasMessageStartingWith("Another Ivesk runs on the data in " + folder);
      // The command asks the one that runs.
      Files.writeString(folder.resolve("backup-wanted"), "now");
      Path done = folder.resolve("backup-done");
      for (int i = 0; i < 200 && !Files.exists(done); i++) Thread.sleep(50);
      assertThat(Files.readString(done)).contains("rows read back");
      assertThat(BackupFiles.all(data.backups())).hasSize(2);
    }
  }

  @Test
  void theAuditTrailIsAChainThatShowsWhatWasChanged(@TempDir Path folder) throws Exception {
    DataFolder data = copy(folder);
    try (ConfigurableApplicationContext running = Practice.start("start", folder)) {
      Thread.sleep(2500);
      assertThatThrownBy(() ->
              running
                  .getBean(JdbcClient.class)
                  .sql("UPDATE audit_entry SET who = 'nobody'")
                  .update())
          .hasMessageContaining("only ever added to");
    }
    assertThat(run(data, "verify")).contains("the chain is whole");
    try (Connection database = DatabaseFile.open(data, data.database(), "");
        Statement by = database.createStatement()) {
      by.execute("DROP TRIGGER audit_entry_stays");
      assertThat(by.executeUpdate("UPDATE audit_entry SET who = 'rolf' WHERE id = 5")).isEqualTo(1);
    }
    assertThatThrownBy(() -> run(data, "verify"))
        .hasMessageContaining("the audit trail is broken at entry 5");
  }

  /// An entry is sealed with all that it is about, whenever the sealing comes: here between the
  /// two.
  @Test
  void anEntryIsSealedWhole(@TempDir Path folder) throws Exception {
    DataFolder data = copy(folder);
    AtomicBoolean asked = new AtomicBoolean();
    try (ConfigurableApplicationContext running = Practice.start("start", folder)) {
      Audit audit = running.getBean(Audit.class);
      // Whom it belongs to is looked up after the entry was written and before that is.
      Audit.Owners between =
          id -> {
            asked.set(true);
            CompletableFuture.runAsync(audit::seal).join();
            return List.of(new UUID(1, 2));
          };
      running.getBeanFactory().registerSingleton("between", between);
      audit.note("rolf", "read treatment", new UUID(3, 4));
      audit.seal();
    }
    assertThat(asked).isTrue();
    assertThat(run(data, "verify")).contains("the chain is whole");
  }

  @Test
  void closedByAKeyAndOpenedByNothingElse(@TempDir Path folder, @TempDir Path elsewhere)
      throws Exception {
    copy(folder);
    Path key = elsewhere.resolve("key");
    Files.writeString(key, KEY);
    DataFolder closed = new DataFolder(folder, Optional.of(KEY));
    assertThat(run(closed, "encrypt")).contains("Whoever loses the key loses the practice");
    assertThat(closed.kind()).isEqualTo(DataFolder.Kind.CIPHER);
    assertThat(new String(Files.readAllBytes(closed.database()), StandardCharsets.ISO_8859_1))
        .doesNotContain("Arkwright");
    assertThatThrownBy(() -> Practice.start("start", folder))
        .isInstanceOf(StartRefused.class)
        .hasMessageContaining("closed by a key");
    Files.writeString(key, "another-lantern");
    assertThatThrownBy(() -> Practice.start("start", folder, "--ivesk.key-file=" + key))
        .isInstanceOf(StartRefused.class)
        .hasMessageContaining("does not open the data");
    Files.writeString(key, KEY);
    try (ConfigurableApplicationContext running =
        Practice.start("start", folder, "--ivesk.key-file=" + key)) {
      assertThat(clients(running)).isEqualTo(14);
      Backups.Proven proven = running.getBean(BackupService.class).backUp("test");
      assertThat(proven.allRows()).isGreaterThanOrEqualTo(rows);
      DataFolder other = new DataFolder(elsewhere.resolve("new"), Optional.of(KEY));
      assertThat(run(other, "restore", proven.file())).contains("rows of");
    }
  }

  @Test
  void oneFileMovesAPracticeToAnotherMachine(@TempDir Path folder, @TempDir Path elsewhere)
      throws Exception {
    DataFolder data = copy(folder);
    Path file = elsewhere.resolve("practice.zip");
    assertThat(run(data, "move", file)).contains("do not start this one again");
    DataFolder other = new DataFolder(elsewhere.resolve("data"), Optional.empty());
    run(other, "restore", file);
    try (ConfigurableApplicationContext running = Practice.start("start", other.folder())) {
      assertThat(clients(running)).isEqualTo(14);
    }
  }

  @Test
  void aBackupThatIsDamagedIsNotRestored(@TempDir Path folder) throws Exception {
    DataFolder data = copy(folder);
    Path backup = BackupFiles.newest(data.backups()).orElseThrow();
    byte[] whole = Files.readAllBytes(backup);
    Files.write(backup, Arrays.copyOf(whole, whole.length / 2));
    byte[] before = Files.readAllBytes(data.database());
    assertThatThrownBy(() -> run(data, "restore", backup)).isInstanceOf(IOException.class);
    assertThat(Files.readAllBytes(data.database())).isEqualTo(before);
  }

  @Test
  void theDoctorSaysWhatIsWellAndWhatToDo(@TempDir Path folder) throws Exception {
    DataFolder data = copy(folder);
    data.makeFolder();
    data.closeToOthers(data.database());
    data.closeToOthers(data.access());
    assertThat(run(data, "doctor")).endsWith("All is well.\n").doesNotContain("see to");
    Files.setPosixFilePermissions(data.access(), PosixFilePermissions.fromString("rw-r--r--"));
    Path backup = BackupFiles.newest(data.backups()).orElseThrow();
    Files.write(backup, new byte[100]);
    assertThat(run(data, "doctor"))
        .contains("see to   Its files are this account's alone? No: close them: chmod -R go= ")
        .contains("see to   The newest backup reads through? No:")
        .endsWith("See to what is marked.\n");
  }

  @Test
  void rotationKeepsDaysWeeksAndMonths(@TempDir Path folder) throws IOException {
    for (int day = 0; day < 500; day++) {
      LocalDate on = LocalDate.of(2026, 11, 26).minusDays(day);
      String name = "ivesk-" + on.toString().replace("-", "") + "-020000.zip";
      Files.writeString(folder.resolve(name), "");
    }
    Backups.rotate(folder);
    List<Instant> kept =
        BackupFiles.all(folder).stream()
            .map(file -> BackupFiles.madeAt(file).orElseThrow())
            .toList();
    assertThat(kept).hasSizeBetween(20, 26);
    assertThat(kept.getFirst()).isEqualTo(Instant.parse("2026-11-26T02:00:00Z"));
    assertThat(kept.subList(0, 7).stream().map(at -> LocalDate.ofInstant(at, ZoneOffset.UTC)))
        .isEqualTo(
            Stream.iterate(LocalDate.of(2026, 11, 26), day -> day.minusDays(1)).limit(7).toList());
    assertThat(kept.getLast()).isBefore(Instant.parse("2026-01-01T00:00:00Z"));
  }
}
