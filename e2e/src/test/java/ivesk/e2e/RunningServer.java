package ivesk.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.util.FileSystemUtils;

/// A server on data of its own: in this JVM (`HostedServer`), which is warm and starts in a second
/// or two, or in a process of its own (`ServerProcess`), which can be killed as a power cut would.
abstract class RunningServer implements AutoCloseable {
  private static final HttpClient HTTP = HttpClient.newHttpClient();

  final Path data;
  final int port;
  final String profile;

  RunningServer(Path data, int port, String profile) {
    this.data = data;
    this.port = port;
    this.profile = profile;
  }

  /// A fresh demo practice in this JVM whose clock stands at `now`.
  static RunningServer demo(String name, Instant now) {
    Path data = folder(name);
    copy(DemoData.at(now), data);
    HostedServer server = new HostedServer(data, "demo");
    server.start(now);
    return server;
  }

  /// What the server is told at its start.
  List<String> arguments(Instant now) {
    return List.of(
        "--spring.profiles.active=" + profile + ",test",
        "--server.port=" + port,
        "--ivesk.data=" + data.toAbsolutePath(),
        "--ivesk.zone=UTC",
        "--ivesk.test.now=" + now);
  }

  /// Returns when the server answers.
  abstract void start(Instant now);

  @Override
  public abstract void close();

  Path data() {
    return data;
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

  static Path folder(String name) {
    try {
      return Files.createTempDirectory(Path.of("target"), "data-" + name + "-");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  static int freePort() {
    try (ServerSocket socket = new ServerSocket(0)) {
      return socket.getLocalPort();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  static void copy(Path from, Path to) {
    try {
      FileSystemUtils.copyRecursively(from, to);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /// Demo practices as they were made, by their time: made once, then copied.
  static final class DemoData {
    private static final ConcurrentHashMap<Instant, Path> MADE = new ConcurrentHashMap<>();

    static Path at(Instant now) {
      return MADE.computeIfAbsent(now, DemoData::make);
    }

    private static Path make(Instant now) {
      Path data = folder("made");
      try (HostedServer server = new HostedServer(data, "demo")) {
        server.start(now);
      }
      return data;
    }
  }
}
