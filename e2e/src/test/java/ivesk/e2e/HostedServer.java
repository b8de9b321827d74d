package ivesk.e2e;

import ivesk.e2e.server.TestServer;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.springframework.context.ConfigurableApplicationContext;

/// The server in the JVM of the journeys.
final class HostedServer extends RunningServer {
  /// Ports that were let go of: what a browser fetched from one is at hand for the next journey.
  private static final Queue<Integer> PORTS = new ConcurrentLinkedQueue<>();

  private ConfigurableApplicationContext application;

  HostedServer(Path data, String profile) {
    super(data, port(PORTS.poll()), profile);
  }

  private static int port(Integer free) {
    return free == null ? freePort() : free;
  }

  @Override
  void start(Instant now) {
    application = TestServer.run(arguments(now).toArray(String[]::new));
  }

  @Override
  public void close() {
    application.close();
    PORTS.add(port);
  }
}
