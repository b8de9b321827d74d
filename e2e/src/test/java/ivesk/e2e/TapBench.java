package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;

/// How soon the verdict follows a tap, in the browser; run by `./ivesk bench`, beside the time that
/// the same browser takes for a bare request of the same server.
@Journey.OwnProcess
class TapBench extends Journey {

  @Test
  void theVerdictFollowsATap() {
    show("Oumar Belgrave", "screen");
    browser.press("Show them: The body now");
    double reference = bareRequest();
    List<Long> millis = new ArrayList<>();
    for (int i = 0; i < 9; i++) {
      millis.add(browser.millisFromTapTo("Fever or unwell today", "yes", "unwell today"));
      browser.millisFromTapTo("Fever or unwell today", "no", "Go on within");
    }
    millis.sort(null);
    long median = millis.get(millis.size() / 2);
    System.out.printf(
        Locale.ROOT,
        "verdict after a tap: median %d ms of %s, %.1f times GET /api/session, allowed 100 ms%n",
        median,
        millis,
        median / reference);
    assertThat(median).isLessThanOrEqualTo(100);
  }

  private double bareRequest() {
    Object ms =
        browser.driver.executeAsyncScript(
            """
            const done = arguments[0];
            (async () => {
              const all = [];
              for (let i = 0; i < 9; i++) {
                const start = performance.now();
                await (await fetch("/api/session")).text();
                all.push(performance.now() - start);
              }
              done(all.sort((a, b) => a - b)[4]);
            })();
            """);
    return ((Number) ms).doubleValue();
  }
}
