package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.ServerSocket;
import java.time.Duration;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

/// The server is gone in mid-peel and stays away: the page must not grow, and must not hammer. Two
/// minutes here; `-Divesk.dead=600` makes it ten.
class DeadServerJourney extends Journey {
  private static final Duration AWAY = Duration.ofSeconds(Integer.getInteger("ivesk.dead", 120));

  /// What the pages may grow by, kB; far below the 68 MB a minute that was once seen.
  private static final long MAY_GROW_KB = 40_000;

  @Test
  @OwnProcess
  void neitherMemoryNorRequestsGrow() throws IOException {
    openVisit("Jonas Arkwright");
    browser.see("Leave it to 8:00");
    browser.keys("3");
    browser.saved();
    process().kill();
    AtomicInteger asked = new AtomicInteger();
    try (ServerSocket dead = new ServerSocket(server.port())) {
      Thread counter = Thread.ofVirtual().start(() -> count(dead, asked));
      browser.see("The server does not answer");
      browser.keys("2");
      browser.see("Not saved yet: 1");
      Browser.settle(20_000);
      long before = browser.pagesKb();
      int askedBefore = asked.get();
      long most = before;
      long end = System.nanoTime() + AWAY.toNanos();
      while (System.nanoTime() < end) {
        Browser.settle(5_000);
        most = Math.max(most, browser.pagesKb());
      }
      int requests = asked.get() - askedBefore;
      long perMinute = requests * 60L / AWAY.toSeconds();
      System.out.printf(
          "away for %d s: renderers %d kB, most %d kB; %d requests, %d a minute%n",
          AWAY.toSeconds(), before, most, requests, perMinute);
      assertThat(most - before).as("kB grown").isLessThan(MAY_GROW_KB);
      assertThat(perMinute).as("requests a minute").isLessThan(40);
      browser.see("Not saved yet: 1");
      // Loaded anew, the page and the running treatment come from the device.
      browser.driver.navigate().refresh();
      browser.see("Not saved yet: 1");
      browser.see("Jonas Arkwright");
      browser.keys("e");
      browser.see("Ended. Kept on this screen");
      counter.interrupt();
    }
  }

  private static void count(ServerSocket dead, AtomicInteger asked) {
    while (!dead.isClosed()) {
      try {
        dead.accept().close();
        asked.incrementAndGet();
      } catch (IOException e) {
        return;
      }
    }
  }
}
