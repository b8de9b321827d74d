package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/// Nothing that was said is lost: a reload, a second screen, and kill -9 of the server in mid-peel.
class PowerCutJourney extends Journey {

  @Test
  @OwnProcess
  void theServerIsKilledInMidPeelAndThePeelGoesOn() {
    openVisit("Maren Holt");
    ready("KeepGLY-35");
    browser.keys(Keys.SPACE);
    browser.saved();
    browser.pass(20);
    browser.keys(Keys.SPACE);
    browser.saved();
    browser.keys("3");
    browser.saved();
    browser.pass(25);
    int before = contactSeconds();

    browser.driver.navigate().refresh();
    browser.see("Leave it to 3:00");
    assertThat(contactSeconds()).as("after a reload").isBetween(before, before + 4);

    Instant cut = server.pass(0);
    long cutNanos = System.nanoTime();
    int atCut = contactSeconds();
    process().kill();
    browser.keys("4");
    browser.see("Not saved yet: 1");
    browser.see("Leave it to 3:00");
    assertThat(contactSeconds())
        .as("the clock goes on without the server")
        .isBetween(atCut, atCut + 8);
    // Two answers within a second are one.
    Browser.settle(1_500);
    browser.keys("6");
    browser.see("No advice without the server");
    assertThat(browser.driver.findElement(By.xpath("//button[b='END']")).isEnabled()).isTrue();

    long started = System.nanoTime();
    // Its clock went on while it was gone; one that stood still would date both answers alike.
    server.start(cut.plusNanos(started - cutNanos));
    browser.saved();
    browser.see("Hold: fan, no layer");
    double away = (System.nanoTime() - started) / 1e9;
    Instant now = server.pass(0);
    double expected = atCut + (now.toEpochMilli() - cut.toEpochMilli()) / 1000.0;
    browser.pass(0);
    assertThat((double) contactSeconds())
        .as("right to the second after " + away + " s away")
        .isBetween(expected - 1.2, expected + 2.2);
    assertThat(answers()).as("every answer, in order, once").endsWith("3", "4", "6");

    browser.keys("e");
    settleAndSign("Maren");
    sign();
  }

  @Test
  void aSecondScreenFollowsLive() {
    openVisit("Jonas Arkwright");
    browser.see("Leave it to 8:00");
    try (Browser second = new Browser(server, 1024, 768)) {
      second.signIn();
      second.openVisit("Jonas Arkwright");
      second.see("Leave it to 8:00");
      browser.keys("7");
      browser.saved();
      second.see("Hold: fan, no layer");
      second.keys("2");
      second.saved();
      browser.see("Leave it to 8:00");
      second.axe("Treat on a wide tablet");
      second.keys("e");
      browser.at("/settle");
    }
  }

  @Test
  @OwnProcess
  void withoutTheNetworkTheLimitStillEndsIt() {
    openVisit("Jonas Arkwright");
    browser.see("Leave it to 8:00");
    browser.keys("2");
    browser.saved();
    browser.pass(334);
    browser.keys("3");
    browser.saved();
    process().kill();
    browser.see("The server does not answer");
    theAdviceIsReadableInALowWindow();
    Browser.settle(14_000);
    browser.see("End now");
    endStandsInItsKey();
    browser.keys("e");
    browser.see("Ended. Kept on this screen");
    theEndingGoesOnWithoutAServer();
  }

  /// It grows past the limit, and leaves its key at no size.
  private void endStandsInItsKey() {
    for (int[] size : new int[][] {{1280, 800}, {1024, 768}, {820, 1180}, {390, 844}, {640, 400}}) {
      browser.size(size[0], size[1]);
      Browser.settle(300);
      assertThat(
              browser.driver.executeScript(
                  """
                  const word = [...document.querySelectorAll("button > b")].find(b => b.textContent === "END");
                  const inner = word.getBoundingClientRect();
                  const outer = word.parentElement.getBoundingClientRect();
                  return inner.left >= outer.left && inner.right <= outer.right;
                  """))
          .as("END at %dx%d", size[0], size[1])
          .isEqualTo(true);
    }
  }

  /// Its steps stand at every size, Space ticks them, and no clock of acid runs on.
  private void theEndingGoesOnWithoutAServer() {
    String clocks = browser.driver.findElement(By.cssSelector("[class*=clocks]")).getText();
    Browser.settle(2_500);
    assertThat(browser.driver.findElement(By.cssSelector("[class*=clocks]")).getText())
        .as("contact and limit stand still")
        .startsWith(clocks.substring(0, clocks.indexOf("ask again")));
    for (int[] size : new int[][] {{1280, 800}, {820, 1180}, {640, 400}}) {
      browser.size(size[0], size[1]);
      Browser.settle(300);
      assertThat(
              browser.driver.executeScript(
                  """
                  const advice = document.querySelector("[aria-label=Now] h1");
                  const { top, bottom, left, right } = advice.getBoundingClientRect();
                  return top >= 0 && bottom <= innerHeight && left >= 0 && right <= innerWidth;
                  """))
          .as("the step at %dx%d", size[0], size[1])
          .isEqualTo(true);
    }
    String first = step();
    browser.keys(Keys.SPACE);
    Browser.settle(300);
    assertThat(step()).as("Space ticks it").isNotEqualTo(first);
    browser.see("Not saved yet: 2");
  }

  private String step() {
    return browser.driver.findElement(By.cssSelector("[aria-label=Now] h1")).getText();
  }

  /// STOP and END are said where the network is gone, while the other screen puts on a coat.
  @Test
  void endSaidOfflineStandsAgainstACoatOfTheOtherScreen() {
    jessnerIsPlanned();
    ready("KeepJES-RF");
    layer();
    for (int i = 0; i < 6; i++) {
      browser.keys("3");
      browser.saved();
      browser.pass(31);
    }
    browser.keys("2");
    browser.saved();
    browser.see("Layer 2 of 2");
    try (Browser second = new Browser(server, 1024, 768)) {
      second.signIn();
      second.press("Yara Minhas");
      second.see("Layer 2 of 2");
      second.offline(true);
      second.keys("a");
      second.keys("x");
      second.keys("e");
      second.see("Ended. Kept on this screen");
      Browser.settle(1_500);
      browser.keys(Keys.SPACE);
      browser.saved();
      browser.see("Finish this layer");
      second.offline(false);
      second.saved();
      browser.see("END was said by ines");
      browser.see("put a layer on");
      browser.at("/settle");
      browser.see("since END");
      second.at("/settle");
    }
  }

  /// The line about the server is up, and the advice stands whole above the keys.
  private void theAdviceIsReadableInALowWindow() {
    for (int height : new int[] {657, 720, 800}) {
      browser.size(1280, height);
      Browser.settle(300);
      assertThat(
              browser.driver.executeScript(
                  """
                  const now = document.querySelector("[aria-label=Now]");
                  const advice = now.querySelector("h1");
                  const bottom = element => element.getBoundingClientRect().bottom;
                  const box = advice.closest("[aria-live]").parentElement;
                  return advice.getBoundingClientRect().height >= 24
                    && box.scrollHeight <= box.clientHeight + 1
                    && advice.getBoundingClientRect().top >= now.getBoundingClientRect().top
                    && [...now.querySelectorAll("button")].filter(key => !box.contains(key)).every(key =>
                      bottom(key) <= bottom(now) + 1 && key.getBoundingClientRect().top >= bottom(box) - 1);
                  """))
          .as("advice and keys at 1280x" + height + ": " + browser.text())
          .isEqualTo(true);
    }
  }

  private int contactSeconds() {
    String[] parts = browser.clock("contact").split(":");
    return Integer.parseInt(parts[0]) * 60 + Integer.parseInt(parts[1]);
  }

  private java.util.List<String> answers() {
    Browser.settle(200);
    return browser.driver.findElements(By.cssSelector(".ribbon table tr")).stream()
        .map(row -> row.getDomProperty("textContent"))
        .filter(row -> row.contains("feels"))
        .map(row -> row.substring(row.indexOf("feels ") + 6))
        .toList();
  }
}
