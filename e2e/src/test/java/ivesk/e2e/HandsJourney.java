package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;

/// A shared tablet in mid-peel: it changes hands by a PIN, and who was signed out comes back by
/// one, with all that was said meanwhile under the name of who said it.
class HandsJourney extends Journey {
  private static final By PIN = By.xpath("//label[contains(.,'PIN')]/following::input[1]");

  private void setPin(String pin) {
    browser.open("/self");
    browser.see("Your sign-in");
    browser
        .driver
        .findElement(By.xpath("(//input[@autocomplete='current-password'])[2]"))
        .sendKeys("harbour");
    browser
        .driver
        .findElement(By.xpath("//form[.//button[.='Set PIN']]//input[@inputmode]"))
        .sendKeys(pin);
    browser.press("Set PIN");
    browser.see("Done.");
  }

  @Test
  void byPinInMidPeel() {
    setPin("4711");
    browser.click(Browser.PERSON);
    browser.press("Sign out");
    browser.signIn("rolf");
    setPin("9274");

    browser.open("/");
    openVisit("Jonas Arkwright");
    browser.see("Leave it to 8:00");
    Instant before = Instant.now();
    browser.click(Browser.PERSON);
    browser.click(By.xpath("//*[@role='dialog']//button[.='Ines Kov']"));
    browser.axe("a tablet changes hands");
    browser.driver.switchTo().activeElement().sendKeys("4711\n");
    browser.with(By.cssSelector("[data-person='ines']"), one -> one.getText());
    assertThat(Duration.between(before, Instant.now())).isLessThan(Duration.ofSeconds(10));
    browser.see("Leave it to 8:00");
    browser.keys("4");
    browser.saved();

    // Signed out elsewhere while acid is on: the peel stays, and so does what is said.
    browser.driver.manage().deleteCookieNamed("ivesk-signed-in");
    browser.keys("5");
    browser.see("You are signed out");
    browser.axe("signed out in mid-peel");
    browser.click(By.xpath("//*[@role='dialog']//button[.='Rolf Arnesen']"));
    browser.driver.switchTo().activeElement().sendKeys("1111\n");
    browser.see("not the one of that name");
    browser.driver.switchTo().activeElement().sendKeys("9274\n");
    browser.with(By.cssSelector("[data-person='rolf']"), one -> one.getText());
    browser.saved();
    browser.keys("e");
    browser.at("/settle");
    String said =
        (String)
            browser.driver.executeAsyncScript(
                """
                const done = arguments[0];
                const visit = location.pathname.split("/")[2];
                fetch(`/api/visits/${visit}`).then(r => r.json())
                  .then(v => fetch(`/api/treatments/${v.treatmentId}`)).then(r => r.json())
                  .then(t => done(t.couch.log.events.slice(-3)
                    .map(e => e.fact.type + " " + e.who).join(", ")));
                """);
    assertThat(said)
        .isEqualTo("SensationAnswered ines, SensationAnswered ines, EndingStarted rolf");
  }
}
