package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/// What happens to the practice's data themselves: a disk that is full in mid-peel, and last
/// night's backup put in the place of what was damaged.
class DataJourney {
  private static final long MB = 1 << 20;

  private ServerProcess server;
  private Browser browser;
  private Optional<Path> disk = Optional.empty();

  @AfterEach
  void stop() throws Exception {
    if (browser != null) browser.close();
    if (server != null) server.close();
    if (disk.isPresent()) run("umount", disk.get().toString());
  }

  private static boolean run(String... command) throws IOException, InterruptedException {
    return new ProcessBuilder(command).inheritIO().start().waitFor() == 0;
  }

  /// A disk of its own; only where this user may make one.
  private Path disk(int mb) throws Exception {
    Path made = Files.createTempDirectory(Path.of("target").toAbsolutePath(), "disk-");
    assumeTrue(
        run("mount", "-t", "tmpfs", "-o", "size=" + mb + "m", "tmpfs", made.toString()),
        "this user may not mount a disk");
    disk = Optional.of(made);
    return made;
  }

  private static void fill(Path file, long leaving) throws IOException {
    long room = Files.getFileStore(file.getParent()).getUsableSpace() - leaving;
    byte[] block = new byte[(int) MB];
    try (var out = Files.newOutputStream(file)) {
      for (long written = 0; written < room; written += MB) out.write(block);
    } catch (IOException full) {
      if (leaving > 0) throw full;
    }
  }

  @Test
  void aFullDiskInMidPeel() throws Exception {
    Path own = disk(256);
    server = ServerProcess.demo(own, Journey.NOW);
    browser = new Browser(server, 1280, 800);
    browser.signIn();
    browser.openVisit("Jonas Arkwright");
    browser.see("Leave it to 8:00");
    browser.keys("2");
    browser.saved();

    fill(own.resolve("films"), 20 * MB);
    browser.keys("3");
    browser.see("The server's disk is full. Not saved yet: 1");
    browser.axe("a full disk in Treat");
    fill(own.resolve("more films"), 0);
    Browser.settle(3_000);
    browser.keys("4");
    browser.see("Not saved yet: 2");
    browser.keys("e");
    browser.see("Ended. Kept on this screen");

    Files.delete(own.resolve("films"));
    Files.delete(own.resolve("more films"));
    browser.saved();
    browser.at("/settle");
    assertThat(said()).as("in order, once").endsWith("2", "3", "4", "ended");
    browser.open("/");
    browser.see("Jonas Arkwright");
  }

  /// The answers of the peel that is open here, and its end, as the server has them.
  private List<String> said() {
    Object answers =
        browser.driver.executeAsyncScript(
            """
            const done = arguments[0];
            const visit = location.pathname.split("/")[2];
            fetch(`/api/visits/${visit}`).then(r => r.json())
              .then(({ treatmentId }) => fetch(`/api/treatments/${treatmentId}`))
              .then(r => r.json())
              .then(({ couch }) => done(couch.log.events
                .map(({ fact }) => fact?.type === "SensationAnswered" ? `${fact.value}`
                  : fact?.type === "EndingStarted" ? "ended" : "")
                .filter(Boolean).join(" ")));
            """);
    return List.of(String.valueOf(answers).split(" "));
  }

  @Test
  void lastNightsBackupTakesThePlaceOfWhatWasDamaged() throws Exception {
    server = ServerProcess.demo("restore", Journey.NOW);
    Instant morning = server.pass(Duration.ofHours(15).toSeconds());
    Path backup = lastNights(server.data().resolve("backups"));
    browser = new Browser(server, 1280, 800);
    browser.signIn();
    browser.open("/clients");
    browser.press("New client");
    browser.type("Name", "Signe Late");
    browser.type("Date of birth", "01021990");
    browser.press("Add client");
    browser.see("Signe Late");
    server.kill();

    Path database = server.data().resolve("ivesk.mv.db");
    Files.write(database, new byte[(int) Files.size(database)]);
    assertThat(server.command("restore", backup.toString())).contains("is kept");
    server.start(morning);
    browser.open("/clients");
    browser.signIn();
    browser.open("/clients");
    browser.see("Maren Holt");
    assertThat(browser.text()).doesNotContain("Signe Late");
    server.kill();
    assertThat(server.command("verify")).contains("the chain is whole");
  }

  /// It is made within two minutes after the night has come.
  private static Path lastNights(Path backups) {
    Instant until = Instant.now().plusSeconds(150);
    while (Instant.now().isBefore(until)) {
      try (Stream<Path> all = Files.exists(backups) ? Files.list(backups) : Stream.empty()) {
        List<Path> made = all.filter(file -> file.toString().endsWith(".zip")).toList();
        if (!made.isEmpty()) return made.getFirst();
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
      Browser.settle(500);
    }
    throw new AssertionError("no backup was made in the night");
  }
}
