package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;

/// What may be lifted and how, a consent that is withdrawn, and the short re-screen.
class ScreenJourney extends Journey {

  @Test
  void anOverrideAClearanceAndTheDate() {
    show("Bruno Castelmar", "screen");
    browser.see("WAIT");
    browser.see("Not before Sat 5 Dec");
    browser.press("Move the date");
    browser.press("Leave");
    browser.answer("Strong sun planned in the weeks after", "no");
    browser.answer("Sunburn, strong sun or sunbed lately", "no");
    browser.see("Not before Mon 30 Nov");
    browser.click(Browser.containing("hair removed"));
    browser.press("Override with a reason");
    browser.type("Why it may go on", "only the brows, which stay out");
    browser.axe("an override");
    browser.press("Override");
    browser.see("overridden by ines: only the brows, which stay out");
    browser.see("ADAPT");
    browser.axe("Screen with an override");

    show("Casper Wynd", "screen");
    browser.see("REFER");
    browser.click(Browser.containing("cold sores, three or more a year"));
    browser.press("Record a clearance");
    browser.type("Clinician's sign-in name", "thea");
    browser.type("Clinician's password or PIN", "harbour");
    browser.press("Record clearance");
    browser.see("cleared by Dr Thea Lund");
    browser.see("Go on within 1 limit.");

    browser.open("/clients");
    browser.press("Casper Wynd");
    browser.click(By.xpath("//summary[.='Who looked at this visit, and who changed it']"));
    browser.see("clearance");
    browser.see("SCR-HSV-PAST: cold sores, three or more a year; by Dr Thea Lund");
    browser.axe("Chart with the audit trail");
  }

  @Test
  void aConsentIsWithdrawnAndSignedAgain() {
    show("Yara Minhas", "screen");
    browser.see("11 of 11 families");
    browser.click(Browser.containing("TCA signed"));
    browser.type("Why it is withdrawn", "afraid of the frost");
    browser.axe("a consent that was signed");
    browser.press("Withdraw consent");
    browser.see("TCA withdrawn");
    browser.see("consent withdrawn for TCA");
    browser.press("Choose acid");
    browser.press("TCA-10");
    browser.see("consent withdrawn for TCA");

    show("Yara Minhas", "screen");
    signConsentByTouch("Yara Minhas", 11);
  }

  /// Comes for the first peel; the patch test was read before. Her type is read by the colorimeter:
  /// the ten questions instead take eleven taps more. Two of the taps are for reading: the
  /// questions of which none applies, and the families that are signed for. Each line of the
  /// briefing has its own.
  @Test
  void aNewClientInFortyTaps() {
    browser.press("New visit");
    browser.press("Leave");
    browser.click(By.xpath("//a[contains(.,'Adaeze Orland')]"));
    browser.see("What Adaeze sees");
    int before = browser.taps();
    browser.press("Read");
    browser.click(By.xpath("//*[@aria-label='Oil']//button[.='oily']"));
    browser.click(By.xpath("//*[@aria-label='Sensitivity']//button[.='normal']"));
    browser.click(By.cssSelector("[aria-label='marks after spots (PIH) 2']"));
    browser.press("make marks after spots (PIH) a goal");
    browser.press("Nothing on the rest of the face");
    browser.see("kept ");
    browser.press("Go to Screen");
    browser.see("answers missing");
    browser.answer("Dark marks after spots or cuts, ever", "yes");
    browser.press("None of the rest applies, in 5 groups");
    browser.axe("the questions read out");
    browser.press("All were asked, none applies");
    signConsentByTouch("Adaeze Orland", 8);
    browser.see("ADAPT");
    browser.press("Choose acid");
    browser.press("Plan this");
    browser.press("Keep and go to Ready");
    ready("Keep");
    int taps = browser.taps() - before;
    System.out.println("new client, from the opened visit to the timer: " + taps + " taps");
    assertThat(taps).isLessThanOrEqualTo(40);
  }

  @Test
  void aReturningClientInOneTap() {
    browser.press("New visit");
    browser.type("Client, or a new name", "Oumar");
    browser.click(By.xpath("//li[@role='option'][contains(.,'Oumar Belgrave')]"));
    browser.press("Add visit");
    browser.see("Oumar Belgrave");
    browser.click(By.xpath("//nav[@aria-label='Stations of this visit']//a[.//b[.='Screen']]"));
    browser.see("WHAT CHANGED");
    browser.see("For this time: Same again");
    browser.see("questions not asked");
    browser.axe("the short re-screen");
    int before = browser.taps();
    browser.press("Nothing changed");
    browser.see("ADAPT");
    browser.press("Choose acid");
    browser.press("Plan this");
    browser.press("Keep and go to Ready");
    ready("KeepSAL-20");
    int taps = browser.taps() - before;
    System.out.println("returning client, from the opened visit to the timer: " + taps + " taps");
    // Consent, photo and each line of the briefing have a tap each; no group ticks them.
    assertThat(taps).isLessThanOrEqualTo(23);
  }

  /// What is on the skin counts from its own time, whatever was booked when.
  @Test
  void twoVisitsOnOneDay() {
    browser.press("New visit");
    browser.type("Client, or a new name", "Jonas");
    browser.click(By.xpath("//li[@role='option'][contains(.,'Jonas Arkwright')]"));
    browser.press("Add visit");
    browser.see("Jonas Arkwright");
    browser.open("/");
    browser.see("Jonas Arkwright is booked twice this day, at");
    secondVisitOfJonasWaits();

    browser.open("/");
    openVisit("Jonas Arkwright");
    browser.see("Leave it to 8:00");
    browser.keys("e");
    settleAndSign("Jonas");
    sign();
    secondVisitOfJonasWaits();
  }

  private void secondVisitOfJonasWaits() {
    show("Jonas Arkwright", "screen");
    browser.see("WAIT");
    browser.see("last peel");
  }
}
