package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;

/// The same by touch on an upright tablet: a drawn signature, a patch test that is placed, then due
/// on Today and read, and the first acid that it opens.
class NewClientOnTabletJourney extends Journey {

  @Override
  int width() {
    return 820;
  }

  @Override
  int height() {
    return 1180;
  }

  @Test
  void fromTheNameToTheVerdict() {
    browser.press("New visit");
    browser.type("Client, or a new name", "Edda Brim");
    browser.type("Date of birth", "03081996");
    browser.press("Add visit");
    browser.see("What Edda sees");

    // A grade is two taps: the zone, the grade.
    browser.click(By.cssSelector("[data-zone='NOSE']"));
    browser.press("nose, shine 2");
    browser.see("1 zone");
    browser.press("Settle the type");
    browser.answer("Type", "II");
    browser.type("Why this type", "burns every summer");
    browser.press("Settle");
    browser.see("Settled as II");
    browser.answer("Sensitivity", "normal");
    browser.answer("Figure", "hands");
    browser.click(By.cssSelector("[data-zone='HAND_LEFT']"));
    browser.see("BACK OF THE LEFT HAND");
    browser.axe("Consult on a tablet");
    browser.press("Go to Screen");

    for (String group :
        new String[] {
          "The body now",
          "Medicines and products",
          "Done to the skin lately",
          "History",
          "Comfort and wishes"
        }) {
      browser.press(group + ": none of the rest applies");
    }
    signConsentByTouch("Edda Brim", 8);
    browser.click(Browser.containing("lactic signed"));
    browser.see("Signed by Edda Brim");
    assertThat(
            browser.driver.executeScript(
                "const i = document.querySelector('img[alt^=\"Signature of\"]');"
                    + " return i.complete && i.naturalWidth"))
        .isEqualTo(600L);
    browser.press("Close");

    browser.press("Place a patch test");
    browser.answer("Families to test", "lactic");
    browser.press("Placed now");
    browser.see("24 h: Thu 26 Nov");
    browser.press("lactic, 24 h: nothing to see");
    browser.see("24 hours are not over");
    browser.axe("Screen on a tablet");
    browser.see("Not until what is named is done.");

    server.pass(24 * 3600 + 60);
    // Nobody stays signed in over a night.
    browser.signIn();
    browser.see("PATCH TESTS TO READ");
    browser.press("Edda Brim, lactic, 24 h: nothing to see");
    browser.press("Clients");
    browser.press("Edda Brim");
    browser.press("Open the visit");
    browser.see("2 of 29 made for the face are open");
    show("Edda Brim", "screen");
    browser.see("Nothing stands in the way");
    browser.see("no patch test for PHA");
  }
}
