package ivesk.e2e;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/// Choosing: three clients of the demo, two formulas side by side, numbers tried until a rule
/// objects, another taken with a reason, stages put together.
class ChooseJourney extends Journey {

  @Test
  void threeClientsByKeyboard() {
    show("Yara Minhas", "choose");
    browser.see("What fits Yara’s skin");
    browser.see("rung 1");
    browser.see("GLY-20, 2:00");
    browser.axe("Choose");
    browser.tabTo("Plan this", Keys.ENTER);
    browser.at("/plan");
    browser.see("GLY-20");

    show("Oumar Belgrave", "choose");
    browser.see("SAL-20, 3:00");
    browser.tabTo("~MAN-20", Keys.ENTER);
    browser.see("MAN-20, 3:00");
    browser.tabTo("Plan this", Keys.ENTER);
    browser.see("MAN-20 instead of SAL-20");
    browser.axe("the reason for another");
    browser.keys("He asked for the milder one today");
    browser.tabTo("Plan MAN-20", Keys.ENTER);
    browser.at("/plan");

    show("Casper Wynd", "screen");
    browser.tabTo("What instead", Keys.ENTER);
    browser.see("Nothing may be offered on this day");
    browser.see("Refer to a clinician");
    browser.axe("Choose, nothing fits");

    show("Rosalind Peake", "choose");
    browser.see("AZM-15");
    browser.tabTo("~GLY-20", Keys.ENTER);
    browser.see("Shut today");
    browser.axe("Choose, a shut formula");
    browser.tabTo("~AZM-15", Keys.ENTER);
    browser.tabTo("Plan this", Keys.ENTER);
    browser.at("/plan");
  }

  @Test
  void besideEachOtherNumbersAndStagesByTouch() {
    browser.size(820, 1180);
    show("Yara Minhas", "choose");
    browser.press("Put beside");
    browser.see("Pick another on the rack");
    browser.click(Browser.containing("TCA-10"));
    browser.see("GLY-20 · TCA-10");
    browser.see("5.3");
    browser.axe("two beside each other");
    browser.press("Back to GLY-20");

    browser.press("Try numbers");
    browser.see("NOTHING OBJECTS");
    for (int i = 0; i < 7; i++) browser.press("more time on the skin");
    browser.see("GLY-20 is never left beyond 5:00");
    browser.clearAndType("glycolic", "70");
    browser.see("medium depth: outside a therapist's scope");
    browser.see("days of flaking, as GLY-70");
    browser.axe("numbers that a rule objects to");
    browser.clearAndType("glycolic", "120");
    browser.see("Strength, % w/v is 120.0; allowed is 0.0 to 100.0");
    browser.press("Back to GLY-20");

    browser.press("Add a stage");
    browser.press("Add a stage after it");
    browser.see("very superficial");
    browser.see("Gate B");
    browser.axe("stages");
    browser.press("Plan these");
    browser.at("/plan");
    browser.see("RET-1");
    browser.see("stays 6 h");
    browser.axe("Plan with a stage");
    retinolAfterTheAcid();
  }

  private void retinolAfterTheAcid() {
    browser.press("Keep and go to Ready");
    ready("KeepGLY-20");
    browser.click(Browser.containing("acid touches"));
    browser.saved();
    browser.pass(25);
    browser.click(Browser.containing("covered"));
    browser.saved();
    feels(2);
    browser.pass(96);
    browser.see("The limit of 2:00 is reached");
    browser.click(By.xpath("//button[b='END']"));
    takeOff();
    feels(1);
    browser.see("At rest: RET-1 may go on");
    browser.axe("Settle, the retinoid may go on");
    browser.click(Browser.containing("RET-1 goes on"));
    browser.saved();
    browser.see("stays 6 h, then washed off");
    browser.press("Yara says: no burning");
    browser.at("/after");
    browser.see("leave on: Retinol lotion 1 %; no water until Wed 25 Nov");
    browser.see("When do I wash it off?");
  }
}
