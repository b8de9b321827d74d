package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/// An alarm takes the whole screen from Ready to After, on every screen of the practice, and closes
/// only once its first steps are done, with words on how it ended.
class EmergencyJourney extends Journey {

  private static By alarmIn(String line) {
    return By.xpath("//*[@role='alertdialog']//h1[.='" + line + "']");
  }

  @Test
  void byKeyWithAcidOn() {
    openVisit("Jonas Arkwright");
    browser.see("Leave it to 8:00");
    browser.keys("a", "1");
    browser.see("Rinse the eye now");
    browser.see("112");
    browser.see("555 0142");
    browser.axe("an alarm");
    browser.keys("1");
    browser.saved();
    browser.keys("l", "3");
    browser.see("Emergency: call now");
    browser.see("Also standing:");
    browser.see("Rinse the eye now");
    browser.axe("two alarms");
    browser.keys("e");
    browser.saved();
    browser.see("ended, MAN-20");
    browser.see("Say it first: a short sting is normal");

    browser.open("/");
    browser.see("Emergency: call now");
    browser.open("/clients");
    browser.see("Jonas, room 2");
    browser.see("Emergency: call now");
    browser.axe("an alarm at the desk");
    browser.click(Browser.containing("Jonas, room 2"));
    browser.see("Rinse the eye now");

    browser.see("Before it is closed: Call the emergency number");
    browser.keys("1");
    browser.saved();
    browser.keys("2");
    browser.saved();
    over("o", "pulse back, lies down");
    browser.see("or once emergency care has the client");
    browser.keys("5");
    browser.saved();
    over("o", "rinsed for fifteen minutes, seen at the eye clinic");
    browser.see("since END");
    takeOff();
    feels(0);
    browser.see("alarm");
  }

  private void over(String key, String words) {
    browser.keys(key);
    browser.type("How it ended", words);
    browser.keys(Keys.ENTER);
    browser.saved();
  }

  @Test
  void byTouchInReady() {
    openVisit("Maren Holt");
    browser.press("Begin");
    browser.see("What changed");
    browser.click(Browser.containing("alarm"));
    browser.click(Browser.containing("faint"));
    browser.saved();
    browser.see("Emergency: call now");
    browser.see("no acid is on");
    browser.click(Browser.containing("Call the emergency number"));
    browser.saved();
    browser.axe("an alarm in Ready");
    browser.click(Browser.containing("Not needed: say why"));
    browser.type("Lie flat, legs up; sit if breathless: why it is not needed", "sat up at once");
    browser.press("Not needed");
    browser.saved();
    browser.click(Browser.containing("Close this alarm"));
    browser.type("How it ended (no acid today unless allowed)", "sat up after two minutes");
    browser.press("Close alarm");
    browser.saved();
    browser.see("No acid today");
    // Only what is not disabled is found.
    assertThat(browser.driver.findElements(Browser.containing("Arm the timer"))).isEmpty();
    browser.axe("Ready, after an alarm");
    browser.press("Stop for today");
    browser.saved();
    browser.see("Stopped before any acid");
  }

  @Test
  void byTouchAfterEnd() {
    openVisit("Jonas Arkwright");
    browser.see("Leave it to 8:00");
    browser.keys("e");
    takeOff();
    browser.click(Browser.containing("alarm"));
    browser.click(Browser.containing("blister"));
    browser.saved();
    browser.see("Incident: cool, call");
    browser.see("Call the supervising clinician");
    assertThat(browser.driver.findElements(alarmIn("Incident: cool, call"))).hasSize(1);
    browser.axe("an incident in Settle");
    browser.click(Browser.containing("Close this alarm"));
    browser.type("How it ended", "cooled, seen by Dr Lund");
    browser.press("Close alarm");
    browser.saved();
    browser.see("since END");
    feels(0);
    browser.see("On calm skin");
  }

  /// What runs or is open never leaves Today.
  @Test
  void overMidnight() {
    openVisit("Jonas Arkwright");
    browser.see("Leave it to 8:00");
    browser.keys("a", "8");
    browser.see("Incident: cool, call");
    server.pass(11 * 3600);
    browser.open("/");
    browser.see("Thursday 26 November");
    browser.see("Jonas Arkwright");
    browser.see("Incident: cool, call");
    browser.axe("Today, after midnight");
    browser.press("The day before");
    browser.see("Wednesday 25 November");
    browser.see("Maren Holt");
  }
}
