package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/// The shelf: an own product from its label into the rack, a bottle by its code, a table in, and
/// the practice that works from labels only.
class ShelfJourney extends Journey {

  @Test
  void anOwnProductFromItsLabelStandsInTheRack() {
    browser.tabTo("Shelf", Keys.ENTER);
    browser.see("LAC-10 lot L-088: expired");
    browser.axe("Shelf");
    browser.tabTo("Add a product", Keys.ENTER);
    browser.see("A product from its label");
    browser.tabTo("~Start from a shipped one", Keys.ENTER);
    browser.keys("MAN-20", Keys.ENTER);
    browser.tabTo("Code", "kelp-25");
    browser.tabTo("Name", "Kelp mandelic 25");
    browser.tabTo("% w/v 1", clear(2) + "250");
    browser.tabTo("pH", clear(3) + "2.9");
    browser.tabTo("Done when", "the gel turns milky");
    browser.tabTo("One layer is", "6 drops");
    browser.axe("a label");
    browser.tabTo("Keep the label", Keys.ENTER);
    browser.see("Mandelic strength, % w/v is 250.0; allowed is 0.0 to 100.0");
    browser.tabTo("% w/v 1", clear(3) + "25");
    browser.tabTo("Keep the label", Keys.ENTER);
    browser.see("KELP-25");
    browser.see("version 1");
    browser.see("the gel turns milky");
    browser.axe("an own product");

    show("Ishani Velloor", "choose");
    browser.tabTo("~KELP-25", Keys.ENTER);
    browser.see("KELP MANDELIC 25");
    browser.see("the gel turns milky, by its label");
  }

  @Test
  void bottlesAndTablesByTouch() throws IOException {
    browser.size(820, 1180);
    browser.press("Shelf");
    browser.press("with bottles");
    browser.click(Browser.containing("Glycolic acid 20 % gel"));
    browser.press("Add a bottle");
    browser.press("Scan");
    browser.see("Keep bottle");
    browser.axe("a bottle");
    browser.press("Keep bottle");
    browser.see("2 lots");
    browser.click(By.xpath("(//button[starts-with(@aria-label,'open lot')])[1]"));
    browser.see("opened 25 Nov 2026");

    browser.press("Tables in and out");
    browser.see("It comes in whole or not at all");
    String head = "code;lot;received;expires;opened;months_after_opening;volume_ml;left_ml\n";
    Path bad = Files.createTempFile("bottles", ".csv");
    browser.press("bottles");
    Files.writeString(
        bad,
        head
            + "GLY-35;B-1;2026-11-01;2028-01-01;;12;100;100\n"
            + "GLY-35;B-2;2026-11-01;soon;;12;100;100\n");
    browser.file("CSV file", bad);
    browser.see("line 3");
    browser.see("expires is 'soon'; a date looks like 2027-06-30");
    browser.axe("a table with a fault");
    assertThat(browser.text()).contains("Nothing is written until they are right");
    Path good = Files.createTempFile("bottles", ".csv");
    Files.writeString(good, head + "GLY-35;B-1;2026-11-01;2028-01-01;;12;100;87,5\n");
    browser.file("CSV file", good);
    browser.see("1 new, 0 changed");
    browser.press("Take 1 line");
    browser.see("Taken.");
    browser.press("Close");
    browser.click(Browser.containing("Glycolic acid 35 % gel"));
    browser.see("88 of 100 mL");
  }

  @Test
  void whereOnlyLabelsAreWorkedFromTheBenchChecksThem() {
    browser.click(Browser.PERSON);
    browser.press("Sign out");
    browser.type("Name", "thea");
    browser.type("Password", "harbour");
    browser.press("Sign in");
    browser.see("visits");
    browser.press("Practice");
    browser.answer("Compounding", "labels only · usual");
    browser.press("Bench");
    browser.see("Labels only: this practice mixes nothing");
    assertThat(browser.text()).doesNotContain("Two strengths into one");
    browser.press("Check a mixture");
    browser.see("as its label says");
    browser.clearAndType("the label says", "30");
    browser.see("17 % more than its label says");
    browser.axe("a mixture checked");
    browser.press("Shelf");
    browser.press("Open");
    browser.see("opened by Dr Thea Lund, 25 Nov 2026");
    browser.axe("what the clinician opened");
  }

  private static String clear(int letters) {
    return Keys.BACK_SPACE.toString().repeat(letters);
  }
}
