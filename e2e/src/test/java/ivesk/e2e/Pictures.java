package ivesk.e2e;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/// Takes docs/screenshots from the demo data, one of each main view. Run by ./ivesk screenshots.
class Pictures extends Journey {

  @Test
  void desk() {
    browser.see("Leave it to 8:00");
    browser.picture("today");
    show("Ishani Velloor", "consult");
    browser.click(By.cssSelector("[data-zone='CHEEK_LEFT']"));
    browser.click(By.xpath("//button[contains(.,'Look 2')]"));
    browser.picture("consult");
    show("Tobiah Quill", "screen");
    browser.picture("screen");
    browser.open("/");
    browser.press("New visit");
    browser.type("Client, or a new name", "Oumar");
    browser.click(By.xpath("//li[@role='option'][contains(.,'Oumar Belgrave')]"));
    browser.press("Add visit");
    browser.see("As on Wed 4 Nov");
    browser.click(By.xpath("//nav[@aria-label='Stations of this visit']//a[.//b[.='Screen']]"));
    browser.see("For this time");
    browser.picture("screen-returning");
    browser.open("/bench");
    browser.see("other label · 22.0 % free");
    browser.picture("bench");
    browser.open("/shelf/MAN-20");
    browser.see("lift the gel, neutraliser");
    browser.picture("shelf");
    browser.open("/practice");
    browser.see("Where the schools differ");
    browser.picture("practice");
    browser.open("/practice/protocols/5d8f7c10-0000-4000-8000-000000000001");
    browser.see("counts as an acid step");
    browser.picture("composer");
    show("Ishani Velloor", "choose");
    browser.picture("choose");
    show("Ishani Velloor", "plan");
    browser.picture("plan");
    browser.open("/clients");
    browser.press("Oumar Belgrave");
    browser.see("Wed 4 Nov");
    browser.click(By.xpath("//button[contains(.,'4 Nov')]"));
    browser.see("crystals, wiped off");
    browser.picture("chart");
    browser.press("Progress");
    browser.see("mMASI 9.2 to 3.2");
    browser.picture("progress");
  }

  @Test
  void practice() {
    browser.click(Browser.PERSON);
    browser.press("Sign out");
    browser.signIn("marit");
    browser.open("/practice/health");
    browser.press("Back up now");
    browser.see("ivesk-2026");
    browser.picture("health");
  }

  @Test
  void couch() {
    browser.openVisit("Jonas Arkwright");
    browser.see("limit in");
    browser.keys("a", "1");
    browser.see("Rinse the eye now");
    browser.keys("1");
    browser.saved();
    browser.pass(48);
    browser.picture("alarm");
    browser.keys("e");
    browser.saved();
    browser.keys("5");
    browser.saved();
    browser.keys("o");
    browser.type("How it ended", "rinsed for fifteen minutes");
    browser.keys(Keys.ENTER);
    browser.saved();
    server.pass(20 * 3600);
    // Nobody stays signed in over a night.
    browser.signIn();
    show("Oumar Belgrave", "choose");
    browser.press("SAL-20");
    browser.press("Plan this");
    browser.see("BACK FROM THE DATE");
    browser.press("Keep and go to Ready");
    readyToTheGate();
    browser.picture("ready");
    browser.click(Browser.containing("KeepSAL-20"));
    browser.saved();
    browser.see("Barrier");
    browser.press("All done, next");
    browser.saved();
    browser.press("Arm the timer");
    browser.see("Start the first layer");
    browser.keys(Keys.SPACE);
    browser.saved();
    browser.pass(24);
    browser.keys(Keys.SPACE);
    browser.saved();
    browser.keys("3");
    browser.saved();
    browser.pass(28);
    browser.keys("5");
    browser.saved();
    browser.keys("r", "1");
    browser.saved();
    browser.pass(16);
    browser.keys("w");
    browser.click(By.cssSelector("[data-zone='FOREHEAD']"));
    browser.click(By.cssSelector("[data-zone='NOSE']"));
    browser.keys("c");
    browser.saved();
    browser.keys(Keys.SPACE);
    browser.keys("c");
    browser.saved();
    browser.pass(10);
    browser.keys("6");
    browser.saved();
    browser.keys("h");
    browser.click(By.cssSelector("[data-zone='CHEEK_RIGHT']"));
    browser.keys("5");
    browser.saved();
    browser.pass(18);
    browser.picture("treat");
    browser.keys("4");
    browser.saved();
    browser.pass(28);
    browser.keys("3");
    browser.saved();
    browser.pass(55);
    browser.keys("3");
    browser.saved();
    browser.keys("e");
    browser.at("/settle");
    browser.see("Off the skin");
    browser.keys(Keys.SPACE);
    browser.saved();
    browser.pass(40);
    browser.picture("settle");
    browser.keys(Keys.SPACE);
    browser.saved();
    browser.pass(60);
    browser.keys("2");
    browser.saved();
    browser.pass(60);
    browser.keys("h");
    browser.click(By.cssSelector("[data-zone='CHEEK_RIGHT']"));
    browser.keys("1");
    browser.saved();
    browser.keys("1");
    browser.saved();
    care();
    browser.saved();
    browser.press("Oumar says: no burning");
    browser.at("/after");
    browser.see("When can I go out in the sun?");
    browser.picture("after");
    browser.press("Sheet to give");
    browser.see("After your peel");
    browser.size(1280, 1050);
    browser.picture("sheet");
  }

  private void readyToTheGate() {
    browser.press("Begin");
    readyToThePrep(words -> {
      browser.press(words);
      browser.saved();
      server.pass(20);
    });
    browser.press("0 none");
    browser.saved();
    browser.see("Ask Oumar how it feels");
    browser.keys("4");
    browser.saved();
    browser.see("the skin is awake today");
  }
}
