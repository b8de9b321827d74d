package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/// How soon the desk paints on a device that has kept nothing, beside the least page that MUI
/// makes, from the same server and in the same browser; run by `./ivesk bench`.
@Journey.OwnProcess
class PaintBench extends Journey {
  private static final int LOADS = 15;

  /// `web/bench`, built where the test's server hands it out.
  @BeforeAll
  static void buildTheBarePage() throws IOException, InterruptedException {
    Path web = Path.of(System.getProperty("ivesk.root", ".."), "web").toAbsolutePath().normalize();
    Process build =
        new ProcessBuilder(
                "node",
                "node_modules/vite/bin/vite.js",
                "build",
                "bench",
                "--config",
                "vite.config.ts",
                "--base",
                "/bare/",
                "--outDir",
                Path.of("target/bare").toAbsolutePath().toString())
            .directory(web.toFile())
            .inheritIO()
            .start();
    assertThat(build.waitFor()).as("the bare page").isZero();
  }

  @Test
  void theDeskPaintsAboutAsSoonAsABarePage() {
    browser.see("Today");
    browser.driver.executeCdpCommand("Network.enable", Map.of());
    browser.driver.executeCdpCommand("Network.setBypassServiceWorker", Map.of("bypass", true));
    List<Double> bare = new ArrayList<>();
    List<Double> desk = new ArrayList<>();
    paint("/bare/index.html");
    paint("/");
    for (int i = 0; i < LOADS; i++) {
      bare.add(paint("/bare/index.html"));
      desk.add(paint("/"));
    }
    double ratio = median(desk) / median(bare);
    System.out.printf(
        Locale.ROOT,
        "first paint, nothing kept: desk median %.0f ms, bare MUI page %.0f ms, ratio %.2f, allowed"
            + " 1.5%n",
        median(desk),
        median(bare),
        ratio);
    assertThat(ratio).isLessThanOrEqualTo(1.5);
  }

  private double paint(String path) {
    browser.driver.executeCdpCommand("Network.clearBrowserCache", Map.of());
    browser.driver.get(server.url(path));
    Object millis =
        browser.driver.executeAsyncScript(
            """
            const done = arguments[0];
            new PerformanceObserver(list => {
              for (const entry of list.getEntries())
                if (entry.name === "first-contentful-paint") done(entry.startTime);
            }).observe({ type: "paint", buffered: true });
            """);
    return ((Number) millis).doubleValue();
  }

  private static double median(List<Double> all) {
    return all.stream().sorted().skip(all.size() / 2).findFirst().orElseThrow();
  }
}
