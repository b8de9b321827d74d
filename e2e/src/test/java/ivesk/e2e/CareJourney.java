package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/// After the acid, behind gate C: points on the map, then a mask with its time. And two rooms at
/// once: the other's clock and advice stay in sight.
class CareJourney extends Journey {

  @Test
  void pointsAndAMaskBehindGateC() {
    policy("EXTRACTION", "yes");
    show("Maren Holt", "plan");
    browser.see("Its edge");
    assertThat(
            browser
                .driver
                .findElement(By.xpath("//label[contains(.,'fades high on the neck')]/input"))
                .isSelected())
        .as("chosen by hand at the visit before, taken up today")
        .isTrue();
    browser.press("Change the steps");
    browser.click(By.xpath("//button[contains(@class,'script-line')][contains(.,'GLY-35')]"));
    browser.click(By.xpath("//*[@aria-label='Sooner']//button[.='upper lip']"));
    browser.see("upper lip off at 1:30");
    browser.click(By.xpath("//button[contains(@class,'script-line')][contains(.,'ask each')]"));
    browser.keys("/");
    browser.keys("extraction, c", Keys.ENTER);
    browser.keys("mask, 15, 8:00, c", Keys.ENTER);
    browser.keys(Keys.ESCAPE);
    browser.axe("Plan, with points and a mask");
    browser.press("Keep and go to Ready");
    ready("Keep");
    layer();
    browser.pass(30);
    browser.keys("2");
    browser.saved();
    browser.pass(45);
    browser.see("End the upper lip");
    browser.see("Its planned time is over.");
    browser.keys(Keys.SPACE);
    browser.saved();
    browser.keys("e");
    browser.saved();
    takeOff();
    browser.pass(60);
    browser.keys("1");
    browser.saved();
    browser.see("Look at the redness first");
    browser.keys("r");
    browser.keys("1");
    browser.saved();
    browser.see("Wipe the barrier off first");
    browser.keys(Keys.SPACE);
    browser.saved();
    browser.see("At rest. Next: extraction");
    points();
    browser.see("At rest. Next: gel mask");
    browser.keys(Keys.SPACE);
    browser.saved();
    browser.see("Leave it on: gel mask");
    browser.pass(480);
    browser.see("Time is over");
    browser.keys(Keys.SPACE);
    browser.saved();
    care();
    browser.press("Maren says: no burning");
    browser.at("/after");
    browser.see("layer 1, GLY");
    browser.press("Sign the record");
    browser.see("extracted on nose 2");
    browser.press("Sign");
    browser.saved();
    browser.see("Signed.");
  }

  /// On the figure where it is tapped, by the zone's key for whoever has no pointer; a mistaken one
  /// is taken back; a reload keeps them.
  private void points() {
    browser.keys(Keys.SPACE);
    browser.see("Tap each point on the figure");
    By nose = By.cssSelector(".face [data-zone='NOSE']");
    browser.click(nose);
    browser.saved();
    browser.click(nose);
    browser.saved();
    browser.click(By.xpath("//*[@aria-label='Points']//button[starts-with(.,'chin')]"));
    browser.saved();
    browser.keys("u");
    browser.saved();
    browser.axe("Settle, points");
    assertThat(browser.driver.findElements(By.cssSelector(".face circle[class*='point']")))
        .hasSize(2);
    browser.driver.navigate().refresh();
    browser.see("since END");
    assertThat(browser.driver.findElements(By.cssSelector(".face circle[class*='point']")))
        .as("kept through a reload")
        .hasSize(2);
    browser.keys(Keys.SPACE);
    browser.press("2 points done");
    browser.saved();
  }

  @Test
  void twoRoomsByOnePerson() {
    show("Maren Holt", "ready");
    ready("Keep");
    By other = By.cssSelector("[aria-label='Other rooms'] a");
    browser.see("Jonas, room 2");
    assertThat(browser.textOf(other)).as("his clock and his advice").containsPattern("\\d:\\d\\d");
    layer();
    browser.click(other);
    browser.see("Jonas");
    browser.see("Maren, room 1");
    browser.axe("Treat, two rooms");
    browser.keys("3");
    browser.saved();
    browser.pass(30);
    assertThat(browser.textOf(other)).contains("Maren, room 1").containsPattern("[0-3]:\\d\\d");
    browser.pass(150);
    browser.see("End now");
    browser.click(other);
    browser.see("The limit of 3:00 is reached");
    browser.keys("e");
    browser.saved();
    browser.at("/settle");
  }
}
