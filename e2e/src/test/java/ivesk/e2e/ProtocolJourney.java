package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.interactions.Actions;

/// The visit as a script: a maker's sheet of 25 lines composed by keyboard from nothing, its
/// objection met and swapped; a visit planned from a sheet with a second region, to Ready.
class ProtocolJourney extends Journey {

  /// A made-up sheet, as it would be typed.
  private static final List<String> SHEET =
      List.of(
          "look 1",
          "photos",
          "make-up remover, 1",
          "gel cleanser, 2, 1:00",
          "gel cleanser, 2, 1:00",
          "look 2",
          "plain damp wipe, 0:30",
          "blot until dry",
          "barrier, 2",
          "eye pads, damp",
          "lac-30, 2.7, 2:00, a",
          "blot what",
          "bicarb-10, 20",
          "cool rinse",
          "ask each minute",
          "fan",
          "mask-set, 100, 12:00, c",
          "damp pads",
          "calming toner, 2",
          "panthenol serum, 6",
          "bland moisturiser, 2",
          "eye-care, 1",
          "lip-care, 0.3",
          "sunscreen, 3",
          "leaving check");

  @Test
  void aSheetOfTwentyFiveLinesByKeyboard() {
    browser.open("/practice/protocols");
    browser.see("Enzyme sandwich");
    browser.axe("Protocols");
    browser.tabTo("Write a new one", Keys.ENTER);
    browser.see("Name of the sheet");
    Instant began = Instant.now();
    for (String line : SHEET) browser.keys(line, Keys.ENTER);
    browser.keys(Keys.ENTER);
    browser.see("25 · type / to add");
    System.out.println(
        "25 lines typed in " + Duration.between(began, Instant.now()).toSeconds() + " s");
    assertThat(Duration.between(began, Instant.now())).isLessThan(Duration.ofMinutes(5));
    browser.see("warms skin that had acid");
    browser.axe("the composer");
    browser.tabTo("~Swap: gel mask, cool", Keys.ENTER);
    browser.see("gel mask, cool");
    assertThat(browser.text()).doesNotContain("warms skin that had acid");
    new Actions(browser.driver).keyDown(Keys.CONTROL).sendKeys("z").keyUp(Keys.CONTROL).perform();
    browser.see("warms skin that had acid");
    browser.tabTo("~Swap: gel mask, cool", Keys.ENTER);
    browser.type("Name of the sheet", "Lactic by the sheet");
    browser.tabTo("Keep as version 1", Keys.ENTER);
    browser.see("version 1, ");
    browser.open("/practice/protocols");
    browser.see("Lactic by the sheet");
    browser.see("25 lines");
  }

  @Test
  void aVisitFromASheetWithAnotherRegion() {
    show("Ishani Velloor", "plan");
    browser.see("BACK FROM THE DATE");
    browser.press("Change the steps");
    browser.press("From a protocol");
    browser.click(By.xpath("//li[@role='menuitem'][contains(.,'Layered acid')]"));
    browser.see("Layered acid with booster and mask, version 1");
    // Nothing that warms today: the mask is shut, and so is the plan.
    browser.see("today: no heat");
    browser.click(By.xpath("//button[.='Swap: gel mask, cool']"));
    browser.press("Add a region");
    browser.click(By.xpath("//li[@role='menuitem'][.='hands']"));
    browser.click(By.xpath("//li[@role='menuitem'][contains(.,'LAC-10')]"));
    browser.see("HANDS");
    browser.axe("Plan, two regions");
    browser.press("Keep and go to Ready");
    browser.at("/ready");
    show("Ishani Velloor", "plan");
    browser.press("Change the steps");
    browser.see("HANDS");
    browser.see("Layered acid with booster and mask, version 1");
  }

  /// Enzyme, mask, enzyme on the face and lactic on the hands; steam is objected to and taken out.
  /// An acid prep in the place of the wipe has a clock of its own.
  @Test
  void threeStagesInTwoRegionsToTheArmedTimer() {
    sandwichAndHands();
    browser.keys("/");
    browser.keys("steam", Keys.ENTER);
    browser.keys(Keys.ESCAPE);
    browser.see("today: no heat");
    assertThat(browser.text()).contains("shut");
    browser.click(By.xpath("(//button[.='Take the line out'])[1]"));
    browser.press("What it comes to");
    browser.see("LAC-10, free acid");
    assertThat(browser.driver.findElements(By.xpath("//*[starts-with(.,'ENZ-P, free acid')]")))
        .as("both stages of the sandwich")
        .hasSizeGreaterThanOrEqualTo(2);
    browser.axe("Plan, three stages");
    browser.press("Keep and go to Ready");
    ready("KeepENZ-P");
  }
}
