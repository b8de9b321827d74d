package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;

/// A visit of three stages in two regions, by keyboard once the timer is armed: an enzyme, a mask
/// between gates B and C, the enzyme again, then lactic acid on the hands.
class StagesJourney extends Journey {

  @Test
  void threeStagesInTwoRegions() {
    sandwichAndHands();
    browser.press("Keep and go to Ready");
    ready("KeepENZ-P");
    browser.see("stage 1 of 3, ENZ-P next");
    firstStage();
    secondStage();
    hands();
    browser.keys(Keys.SPACE);
    browser.press("Ishani says: no burning");
    browser.at("/after");
    browser.see("When can I go out in the sun?");
    assertThat(browser.text()).contains("Bland moisturiser", "Gel mask, cool");
    sign();
  }

  /// A layer, an answer and END; the steps of the ending and the answer after it, all by keys.
  private void peel(int feels, int afterwards) {
    browser.see("Start the first layer");
    layer();
    browser.pass(30);
    browser.keys(String.valueOf(feels));
    browser.saved();
    browser.pass(60);
    browser.keys(String.valueOf(feels));
    browser.saved();
    browser.keys("e");
    browser.saved();
    browser.at("/settle");
    browser.see("since END");
    while (browser.text().contains("Done, next")) {
      browser.keys(Keys.SPACE);
      browser.saved();
    }
    browser.pass(60);
    browser.keys(String.valueOf(afterwards));
    browser.saved();
    browser.see(afterwards > 1 ? afterwards + " is above rest" : "At rest");
  }

  private void firstStage() {
    peel(2, 1);
    browser.see("Look at the redness first");
    browser.keys("r");
    browser.keys("1");
    browser.saved();
    browser.axe("Settle, between two stages");
    browser.see("Wipe the barrier off first");
    browser.keys(Keys.SPACE);
    browser.saved();
    browser.keys(Keys.SPACE);
    browser.saved();
    browser.see("Leave it on: gel mask");
    browser.pass(1800);
    browser.see("Time is over");
    browser.keys(Keys.SPACE);
    browser.saved();
    browser.keys("1");
    browser.saved();
    browser.see("First visit: off unless chosen");
    browser.press("next stage");
    browser.saved();
    // The barrier was wiped off for the mask: it is put on again, and the eyes are covered.
    browser.at("/ready");
    browser.see("Barrier");
    browser.press("All done, next");
    browser.saved();
    browser.press("Arm the timer");
    browser.at("/treat");
  }

  private void secondStage() {
    browser.see("stage 2 of 3, hands next");
    assertThat(browser.clock("contact")).as("a clock of its own").isEqualTo("0:00");
    browser.axe("Treat, the second stage");
    peel(3, 3);
    browser.keys("r");
    browser.keys("1");
    browser.saved();
    browser.press("next stage");
    browser.saved();
    browser.at("/ready");
    browser.see("stage 3 of 3");
  }

  private void hands() {
    // The face is asked to rest beside the hands.
    browser.see("told 3");
    browser.see("Cool, then ask again");
    browser.axe("Ready, the face beside");
    browser.keys("b");
    browser.see("How the face feels now");
    browser.keys("1");
    browser.saved();
    browser.see("told 1");
    for (String next : java.util.List.of("Done, next", "All done, next", "Done, next")) {
      browser.press(next);
      browser.saved();
    }
    browser.press("0 none");
    browser.saved();
    browser.click(key(1));
    browser.saved();
    browser.click(Browser.containing("KeepLAC-10"));
    browser.saved();
    browser.press("All done, next");
    browser.saved();
    browser.press("Arm the timer");
    browser.at("/treat");
    peel(2, 1);
    care();
  }
}
