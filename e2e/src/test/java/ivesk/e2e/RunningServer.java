package ivesk.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/// A server in a process of its own, so that it can be killed as a power cut would.
final class RunningServer implements AutoCloseable {
  private static final HttpClient HTTP = HttpClient.newHttpClient();

  private final Path data;
  private final int port;
  private final String profile;
  private Process process;

  private RunningServer(Path data, int port, String profile) {
    this.data = data;
    this.port = port;
    this.profile = profile;
  }

  /// A practice of its own in an empty folder, as `./ivesk start` begins.
  static RunningServer empty(String name, Instant now) {
    try {
      RunningServer server = new RunningServer(folder(name), freePort(), "start");
      server.start(now);
      return server;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /// Demo practices as they were made, by their time: made once, then copied.
  private static final Map<Instant, Path> MADE = new HashMap<>();

  /// A fresh demo practice whose clock stands at `now`.
  static RunningServer demo(String name, Instant now) {
    try {
      return demo(folder(name), now);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /// The same in a folder that is there, on a disk of its own.
  static RunningServer demo(Path data, Instant now) {
    try {
      copy(MADE.computeIfAbsent(now, RunningServer::make), data);
      RunningServer server = new RunningServer(data, freePort(), "demo");
      server.start(now);
      return server;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /// Runs one of the commands of `./ivesk` on the data, while no server holds them.
  ///
  /// @return what it said
  String command(String... words) {
    List<String> command =
        new ArrayList<>(
            List.of(
                ProcessHandle.current().info().command().orElse("java"),
                "-XX:TieredStopAtLevel=1",
                "-cp",
                System.getProperty("java.class.path"),
                "ivesk.server.IveskApplication"));
    command.addAll(List.of(words));
    command.add("--data=" + data.toAbsolutePath());
    try {
      Process run = new ProcessBuilder(command).redirectErrorStream(true).start();
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

  private static Path folder(String name) throws IOException {
    return Files.createTempDirectory(Path.of("target"), "data-" + name + "-");
  }

  private static Path make(Instant now) {
    try {
      Path data = folder("made");
      RunningServer server = new RunningServer(data, freePort(), "demo");
      server.start(now);
      server.process.destroy();
      server.process.waitFor();
      Files.delete(data.resolve("server.log"));
      return data;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  private static void copy(Path from, Path to) throws IOException {
    try (Stream<Path> files = Files.walk(from)) {
      for (Path file : files.filter(Files::isRegularFile).toList()) {
        Path target = to.resolve(from.relativize(file));
        Files.createDirectories(target.getParent());
        Files.copy(file, target);
      }
    }
  }

  private static int freePort() throws IOException {
    try (ServerSocket socket = new ServerSocket(0)) {
      return socket.getLocalPort();
    }
  }

  void start(Instant now) {
    List<String> command =
        List.of(
            ProcessHandle.current().info().command().orElse("java"),
            "-XX:TieredStopAtLevel=1",
            "-XX:+AutoCreateSharedArchive",
            "-XX:SharedArchiveFile=" + Path.of("target/server.jsa").toAbsolutePath(),
            "-Xlog:cds=off",
            "-Xlog:cds+dynamic=off",
            "-cp",
            System.getProperty("java.class.path"),
            "ivesk.e2e.server.TestServer",
            "--spring.profiles.active=" + profile + ",test",
            "--server.port=" + port,
            "--ivesk.data=" + data.toAbsolutePath(),
            "--ivesk.zone=UTC",
            "--ivesk.test.now=" + now);
    try {
      process =
          new ProcessBuilder(command)
              .redirectErrorStream(true)
              .redirectOutput(ProcessBuilder.Redirect.appendTo(data.resolve("server.log").toFile()))
              .start();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    Instant deadline = Instant.now().plus(Duration.ofSeconds(90));
    while (!ready()) {
      if (!process.isAlive() || Instant.now().isAfter(deadline)) {
        throw new IllegalStateException("the server did not start; see " + data + "/server.log");
      }
      sleep(200);
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

  Path data() {
    return data;
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

  /// Moves the server's clock on and says where it stands.
  Instant pass(double seconds) {
    return Instant.parse(get("/test-clock?seconds=" + seconds));
  }

  int port() {
    return port;
  }

  String url(String path) {
    return "http://127.0.0.1:" + port + path;
  }

  String get(String path) {
    try {
      HttpResponse<String> answer =
          HTTP.send(
              HttpRequest.newBuilder(URI.create(url(path))).build(),
              HttpResponse.BodyHandlers.ofString());
      if (answer.statusCode() != 200) {
        throw new IllegalStateException(path + " answered " + answer.statusCode());
      }
      return answer.body();
    } catch (IOException e) {
      throw new IllegalStateException(path + " did not answer", e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  private static void sleep(long millis) {
    try {
      Thread.sleep(millis);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  @Override
  public void close() {
    if (process.isAlive()) kill();
  }
}
