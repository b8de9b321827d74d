package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.openqa.selenium.By;

/// Every view and dialog on the desktop, the tablet, and at 200 %: accessible, and no wider than
/// the screen.
class EveryViewJourney extends Journey {
  private final List<String> tooWide = new ArrayList<>();
  private String size;

  @ParameterizedTest
  @CsvSource({"1280, 800", "820, 1180", "640, 400"})
  void isAccessibleAndFits(int wide, int high) {
    size = wide + "x" + high + ", ";
    browser.size(wide, high);
    desk();
    stations();
    couch();
    browser.open("/");
    browser.click(Browser.PERSON);
    browser.press("Sign out");
    browser.see("Password");
    look("sign-in");
    // The peel on the couch is Rolf's.
    browser.signIn("rolf");
    browser.click(Browser.PERSON);
    browser.press("Sign out");
    browser.see("Acid is on Jonas");
    look("the question before signing out");
    browser.press("Sign out all the same");
    browser.see("Password");
    browser.press("I have a one-time code");
    look("by a one-time code");
    browser.open("/");
    browser.signIn("marit");
    browser.open("/practice/people");
    browser.see("Who works here");
    look("people");
    browser.press("Add somebody");
    look("adding somebody");
    browser.open("/practice");
    browser.press("Change");
    browser.see("Closed on single days");
    look("changing the practice");
    browser.open("/practice/health");
    browser.see("on average of");
    look("how it is");
    browser.open("/self");
    browser.see("Your sign-in");
    look("one's own sign-in");
    browser.click(Browser.PERSON);
    browser.see("Somebody else takes over");
    look("who is signed in");
    assertThat(tooWide).isEmpty();
  }

  @Test
  void todayAndTheSheetFitOnAPhone() {
    size = "390x844, ";
    browser.size(390, 844);
    browser.see("Leave it to 8:00");
    look("Today");
    show("Greta Sollund", "sheet");
    browser.see("After your peel");
    look("the sheet");
    assertThat(tooWide).isEmpty();
  }

  /// The couch alone on a phone; the desk is for larger screens.
  @Test
  void theCouchFitsAPhone() {
    size = "390x844, ";
    browser.size(390, 844);
    couch();
    browser.keys(org.openqa.selenium.Keys.ESCAPE);
    browser.keys("e");
    browser.saved();
    browser.at("/settle");
    browser.see("since END");
    look("Settle");
    show("Maren Holt", "ready");
    browser.press("Begin");
    browser.see("Something new? Change it in Screen first.");
    look("Ready");
    assertThat(tooWide).isEmpty();
  }

  private void look(String view) {
    browser.axe(size + view);
    long over =
        (Long)
            browser.driver.executeScript(
                "return document.documentElement.scrollWidth - window.innerWidth");
    if (over > 0) tooWide.add(size + view + ": " + over + " px");
  }

  private void leave() {
    browser.click(By.xpath("//*[@role='dialog']//button[starts-with(normalize-space(.),'Leave')]"));
    Browser.settle(250);
  }

  private void desk() {
    browser.see("Leave it to 8:00");
    look("Today");
    browser.press("New visit");
    look("a new visit");
    leave();
    browser.open("/clients");
    browser.see("Oumar Belgrave");
    look("Clients");
    browser.press("Oumar Belgrave");
    browser.see("VISITS");
    look("the chart");
    browser.press("Edit");
    look("a client's form");
    leave();
    for (String room :
        new String[] {
          "bench",
          "shelf",
          "shelf/SAL-20",
          "shelf/products",
          "shelf/products/MASK-SET",
          "practice",
          "practice/protocols",
          "practice/protocols/5d8f7c10-0000-4000-8000-000000000001"
        }) {
      browser.open("/" + room);
      Browser.settle(400);
      look(room);
    }
    browser.keys("/");
    browser.keys("lac");
    look("a line being typed");
    browser.open("/shelf/products");
    browser.press("Add a product");
    look("a product that is no peel");
    leave();
  }

  private void stations() {
    show("Ishani Velloor", "consult");
    look("Consult");
    browser.press("Add a home product");
    look("a home product");
    leave();
    show("Adaeze Orland", "screen");
    look("Screen");
    browser.press("Enter a peel done elsewhere");
    look("a peel done elsewhere");
    leave();
    browser.press("Read and sign consent");
    look("the consent");
    leave();
    browser.press("Place a patch test");
    look("a patch test");
    leave();
    browser.press("change");
    look("a visit changed");
    leave();
    browser.press("Move the date");
    look("the date moved");
    leave();
    show("Ishani Velloor", "choose");
    look("Choose");
    browser.press("Try numbers");
    look("Choose, numbers tried");
    show("Ishani Velloor", "plan");
    browser.see("BACK FROM THE DATE");
    browser.press("Change the steps");
    browser.see("From a protocol");
    look("Plan, its steps");
    browser.press("The line");
    look("Plan, one line");
    show("Ishani Velloor", "prep");
    browser.see("Before your peel");
    look("the sheet of the weeks before");
    show("Ishani Velloor", "plan");
    browser.see("BACK FROM THE DATE");
    look("Plan");
  }

  private void couch() {
    show("Jonas Arkwright", "treat");
    browser.see("limit in");
    look("Treat");
    browser.click(Browser.containing("note"));
    look("Treat, a note");
    browser.click(Browser.containing("close"));
    browser.click(Browser.containing("alarm"));
    look("Treat, the alarms");
  }
}
