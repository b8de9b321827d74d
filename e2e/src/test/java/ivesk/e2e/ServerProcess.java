package ivesk.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/// The server in a process of its own, which a test can kill, start again and read the terminal of.
final class ServerProcess extends RunningServer {
  private static final Duration PATIENCE = Duration.ofSeconds(90);

  private Process process;

  private ServerProcess(Path data, String profile) {
    super(data, freePort(), profile);
  }

  /// A practice of its own in an empty folder, as `./ivesk start` begins.
  static ServerProcess empty(String name, Instant now) {
    ServerProcess server = new ServerProcess(folder(name), "start");
    server.start(now);
    return server;
  }

  /// A fresh demo practice whose clock stands at `now`.
  static ServerProcess demo(String name, Instant now) {
    return demo(folder(name), now);
  }

  /// The same in a folder that is there, on a disk of its own.
  static ServerProcess demo(Path data, Instant now) {
    copy(DemoData.at(now), data);
    ServerProcess server = new ServerProcess(data, "demo");
    server.start(now);
    return server;
  }

  /// Runs one of the commands of `./ivesk` on the data, while no server holds them.
  ///
  /// @return what it said
  String command(String... words) {
    List<String> command =
        Stream.of(Stream.of(words), Stream.of("--data=" + data.toAbsolutePath()))
            .flatMap(each -> each)
            .toList();
    try {
      Process run = java("ivesk.server.IveskApplication", command).start();
      String said = new String(run.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      if (run.waitFor() != 0) throw new IllegalStateException(said);
      return said;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  private static ProcessBuilder java(String main, List<String> arguments) {
    List<String> command =
        new ArrayList<>(
            List.of(
                ProcessHandle.current().info().command().orElse("java"),
                "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC",
                "-cp",
                System.getProperty("java.class.path"),
                main));
    command.addAll(arguments);
    return new ProcessBuilder(command).redirectErrorStream(true);
  }

  @Override
  void start(Instant now) {
    try {
      process =
          java("ivesk.e2e.server.TestServer", arguments(now))
              .redirectOutput(ProcessBuilder.Redirect.appendTo(data.resolve("server.log").toFile()))
              .start();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    Instant deadline = Instant.now().plus(PATIENCE);
    while (!ready()) {
      if (!process.isAlive() || Instant.now().isAfter(deadline)) {
        throw new IllegalStateException("the server did not start; see " + data + "/server.log");
      }
      Browser.settle(200);
    }
  }

  private boolean ready() {
    try {
      return get("/test-clock?seconds=0").contains("T")
          && printed()
              .contains(profile.equals("demo") ? "demo practice is ready" : "Ctrl-C ends it");
    } catch (UncheckedIOException | IllegalStateException e) {
      return false;
    }
  }

  /// What it has said on its terminal.
  String printed() {
    try {
      return Files.readString(data.resolve("server.log"));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /// kill -9.
  void kill() {
    process.destroyForcibly();
    try {
      process.waitFor();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  @Override
  public void close() {
    if (process.isAlive()) kill();
  }
}
