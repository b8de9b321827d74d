package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/// What happens to a running peel from outside: the client's own phone, another therapist, a zone
/// that is ended by itself, a mistaken digit, a double tap, and ten minutes without a server.
class CouchJourney extends Journey {
  private Browser phone;

  @Override
  @AfterEach
  void stop() {
    if (phone != null) phone.close();
    super.stop();
  }

  @Test
  void aLayeredPeelByTheClientsPhone() {
    policy("HANDSET", "on");
    jessnerIsPlanned();
    browser.press("Begin");
    browser.press("Client's handset");
    browser.press("Show a code");
    browser.see("Once, within 15 minutes");
    browser.axe("Ready, with a code");
    String code =
        browser
            .driver
            .findElement(By.xpath("//p/b[string-length(normalize-space(.))=6]"))
            .getText();
    phone = new Browser(server, 360, 640);
    phone.open("/handset#" + code);
    phone.see("How does it feel?");
    phone.axe("the handset");
    assertThat(phone.text()).contains("Hello Yara").doesNotContain("Minhas");
    browser.press("close Esc");
    readyToThePrep(browser::press);
    browser.press("0 none");
    browser.saved();
    long before = System.nanoTime();
    phone.click(By.cssSelector("[role=group] button:nth-child(3)"));
    phone.see("Heard: 2");
    browser.see("2 on even skin: go on");
    System.out.println(
        "from the tap on the phone to the gate on the couch: "
            + Duration.ofNanos(System.nanoTime() - before).toMillis()
            + " ms");
    browser.click(Browser.containing("KeepJES-RF"));
    browser.saved();
    browser.press("All done, next");
    browser.saved();
    browser.press("Arm the timer");
    browser.at("/treat");
    browser.see("Start the first layer");
    layer();
    // The carrier settles for three minutes; each number comes from the phone.
    for (int i = 0; i < 6; i++) {
      phone.click(By.cssSelector("[role=group] button:nth-child(4)"));
      phone.see("Heard: 3");
      browser.see("ask again in");
      browser.pass(31);
    }
    phone.click(By.cssSelector("[role=group] button:nth-child(3)"));
    phone.see("Heard: 2");
    browser.see("Layer 2 of 2");
    layer();
    phone.press("Hotter in one place");
    phone.click(By.cssSelector(".face [aria-label^='nose'], .face [aria-label*='nose']"));
    phone.see("How hot there?");
    phone.click(By.cssSelector("[role=group] button:nth-child(6)"));
    phone.see("Heard: 5");
    browser.see("ask again in");
    phone.keys(Keys.PAGE_DOWN);
    phone.keys(Keys.PAGE_DOWN);
    phone.keys(Keys.PAGE_DOWN);
    phone.see("Heard: 3");
    browser.see("handset");
    phone.press("STOP");
    phone.see("Stop was said");
    browser.see("The client asks to stop.");
    Browser other = new Browser(server, 360, 640);
    try {
      other.open("/handset#" + code);
      other.see("This code is wrong, used or too old");
    } finally {
      other.close();
    }
  }

  private void onTheSkin() {
    show("Maren Holt", "ready");
    ready("Keep");
    layer();
    browser.pass(20);
    browser.keys("2");
    browser.saved();
  }

  @Test
  void aZoneEndsByItselfAMistakeIsTakenBackAndAnotherTakesOver() {
    onTheSkin();
    browser.keys("8");
    browser.saved();
    browser.keys("u");
    browser.saved();
    assertThat(browser.text()).doesNotContain("is at the stop line");
    browser.keys("y");
    browser.see("hold line");
    browser.axe("Treat, why");
    browser.keys(Keys.ESCAPE);
    browser.keys("z");
    browser.keys("x");
    browser.saved();
    browser.see("Forehead: acid is off");
    browser.press("Forehead: acid is off");
    browser.saved();
    browser.pass(45);
    browser.press("Forehead: ask");
    browser.keys("1");
    browser.saved();
    browser.see("forehead at rest after");
    browser.axe("Treat, a zone ended");
    // The second tap of a glove is taken away.
    browser.driver.executeScript(
        """
        for (let i = 0; i < 2; i++)
          window.dispatchEvent(new KeyboardEvent("keydown", {key: "f", bubbles: true}));
        """);
    browser.see("Tapped twice: counted once.");
    browser.saved();
    browser.see("fan off");
    as("rolf");
    show("Maren Holt", "treat");
    browser.press("take over from ines");
    browser.saved();
    browser.see("limit in");
    assertThat(browser.text()).doesNotContain("take over from");
    browser.keys("2");
    browser.saved();
  }

  @Test
  @OwnProcess
  void tenMinutesWithoutAServerAndAReloadLoseNothing() {
    onTheSkin();
    process().kill();
    browser.keys("3");
    browser.see("Not saved yet: 1");
    browser.driver.navigate().refresh();
    browser.see("ask again in");
    browser.see("Not saved yet: 1");
    browser.keys("n");
    browser.keys("calm", Keys.ENTER);
    browser.see("Not saved yet: 2");
    browser.keys("e");
    browser.see("Ended. Kept on this screen");
    server.start(NOW.plus(Duration.ofMinutes(12)));
    browser.at("/settle");
    browser.saved();
    browser.see("since END");
  }
}
