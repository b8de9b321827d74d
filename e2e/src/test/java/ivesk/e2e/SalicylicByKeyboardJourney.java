package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;

/// One whole visit by keyboard alone: a first salicylic peel on type V, with crystals that are
/// wiped off. axe-core looks at every station on the way.
class SalicylicByKeyboardJourney extends Journey {

  @Test
  void fromTodayToTheSignedRecord() {
    browser.axe("Today");
    browser.tabTo("~Adaeze Orland", Keys.ENTER);
    browser.see("What Adaeze sees");
    consult();
    screen();
    choose();
    plan();
    ready();
    treat();
    settle();
    after();
  }

  private void consult() {
    browser.tabTo("forehead", Keys.ENTER);
    browser.tabTo("forehead, shine 3", Keys.SPACE);
    browser.tabTo("~Look 2 · cleansed", Keys.ENTER);
    browser.tabTo("chin", Keys.ENTER);
    browser.tabTo("chin, comedones 2", Keys.SPACE);
    browser.tabTo("comedones 3", Keys.SPACE);
    browser.tabTo("marks after spots (PIH) 2", Keys.SPACE);
    browser.tabTo("make marks after spots (PIH) a goal", Keys.SPACE);
    browser.tabTo("enlarged pores 2", Keys.SPACE);
    browser.tabTo("make enlarged pores a goal", Keys.SPACE);
    browser.tabTo("make comedones a goal", Keys.SPACE);
    browser.tabTo("Ask the ten questions", Keys.ENTER);
    browser.tabTo("Colour of the eyes > dark brown", Keys.SPACE);
    browser.tabTo("Hair, before grey or dye > dark brown", Keys.SPACE);
    browser.tabTo("Skin where no sun reaches > light brown", Keys.SPACE);
    browser.tabTo("Freckles where no sun reaches > hardly any", Keys.SPACE);
    browser.tabTo("Too long in the sun brings > burns rarely", Keys.SPACE);
    browser.tabTo("How well it tans > easily", Keys.SPACE);
    browser.tabTo("A day of sun turns the skin brown > often", Keys.SPACE);
    browser.tabTo("How the face takes the sun > quite resistant", Keys.SPACE);
    browser.tabTo("How often the area is put in the sun > often", Keys.SPACE);
    browser.see("27 of 40");
    browser.tabTo("Last sun, sunbed or tanning cream > within the month", Keys.SPACE);
    browser.see("30 of 40 · type V");
    browser.axe("the ten questions");
    browser.tabTo("Done", Keys.ENTER);
    browser.tabTo("Oil > oily", Keys.SPACE);
    browser.tabTo("Sensitivity > normal", Keys.SPACE);
    browser.see("kept ");
    browser.axe("Consult");
    browser.driver.navigate().refresh();
    browser.see("30 of 40");
    browser.tabTo("Go to Screen", Keys.ENTER);
  }

  private void screen() {
    browser.see("May Adaeze have a peel");
    browser.see("answers missing");
    browser.tabTo("The body now: none of the rest applies", Keys.ENTER);
    browser.see("12 of 12");
    browser.tabTo("Medicines and products: none of the rest applies", Keys.ENTER);
    browser.see("10 of 10");
    browser.tabTo("Tyrosinase inhibitor, daily > since", Keys.SPACE);
    browser.tabTo("started on", "01112026");
    browser.tabTo("Done to the skin lately: none of the rest applies", Keys.ENTER);
    browser.see("11 of 11");
    browser.tabTo("History: none of the rest applies", Keys.ENTER);
    browser.see("18 of 18");
    browser.tabTo("Dark marks after spots or cuts, ever > yes", Keys.SPACE);
    browser.tabTo("Comfort and wishes: none of the rest applies", Keys.ENTER);
    browser.see("no signed consent");
    signConsentByKeyboard();
    browser.see("ADAPT");
    browser.see("layers ≤ 2");
    browser.axe("Screen");
    browser.tabTo("Choose acid", Keys.ENTER);
  }

  private void choose() {
    browser.see("What fits Adaeze");
    browser.see("SAL-10, 3:00");
    browser.axe("Choose");
    browser.tabTo("Plan this", Keys.ENTER);
  }

  private void plan() {
    browser.see("BACK FROM THE DATE");
    browser.see("it does not undo a frost");
    browser.axe("Plan");
    browser.tabTo("Keep and go to Ready", Keys.ENTER);
  }

  private void ready() {
    browser.see("Adaeze Orland is here");
    browser.axe("Ready, before it begins");
    browser.tabTo("Begin", Keys.ENTER);
    readyToThePrep(words -> browser.tabTo(words, Keys.ENTER));
    browser.tabTo("0 none", Keys.ENTER);
    browser.saved();
    browser.see("Ask Adaeze how it feels");
    browser.keys("2");
    browser.saved();
    browser.see("2 on even skin: go on");
    browser.axe("Ready, at the gate");
    browser.tabTo("~KeepSAL-10", Keys.ENTER);
    browser.saved();
    browser.tabTo("All done, next", Keys.ENTER);
    browser.saved();
    browser.tabTo("Arm the timer", Keys.ENTER);
    browser.at("/treat");
  }

  private void treat() {
    browser.see("Start the first layer");
    browser.axe("Treat, before the acid");
    browser.keys(Keys.SPACE);
    browser.saved();
    browser.see("Finish this layer");
    browser.pass(24);
    browser.keys(Keys.SPACE);
    browser.saved();
    browser.see("Leave it to 3:00");
    browser.pass(30);
    browser.keys("4");
    browser.saved();
    browser.keys("w");
    browser.keys("c");
    browser.saved();
    browser.see("Wipe test: damp swab over the white");
    browser.axe("Treat, wipe test owed");
    browser.keys(Keys.SPACE);
    // The pedal alone says neither of the two.
    browser.keys(Keys.SPACE);
    browser.keys(Keys.SPACE);
    browser.saved();
    browser.see("Wipe test: damp swab over the white");
    browser.keys("c");
    browser.saved();
    browser.see("Leave it to 3:00");
    browser.pass(28);
    browser.keys("5");
    browser.saved();
    browser.see("Leave it to 3:00");
    browser.keys("r");
    browser.keys("1");
    browser.saved();
    browser.pass(48);
    browser.see("Look now, and ask");
    browser.keys("3");
    browser.saved();
    browser.axe("Treat");
    browser.pass(55);
    browser.see("End now");
    browser.see("The limit of 3:00 is reached");
    assertThat(browser.clock("contact")).startsWith("3:");
    browser.keys(Keys.SPACE);
    browser.at("/settle");
  }

  private void settle() {
    browser.see("Cool rinse");
    browser.axe("Settle");
    browser.keys(Keys.SPACE);
    browser.saved();
    browser.keys(Keys.SPACE);
    browser.saved();
    browser.see("Ask how it feels");
    browser.pass(60);
    browser.keys("2");
    browser.saved();
    browser.see("2 is above rest");
    browser.pass(60);
    browser.keys("1");
    browser.saved();
    browser.see("At rest");
    browser.axe("Settle, at rest");
    while (browser.text().contains("At rest. Next: ")) {
      browser.keys(Keys.SPACE);
      browser.saved();
    }
    browser.tabTo("Adaeze says: no burning", Keys.ENTER);
    browser.at("/after");
  }

  private void after() {
    browser.see("When can I go out in the sun?");
    browser.see("Without strict care from Wed 9 Dec");
    browser.axe("After");
    browser.tabTo("Sign the record", Keys.ENTER);
    browser.see("A signed record cannot be changed");
    browser.axe("the signature");
    browser.tabTo("Sign", Keys.ENTER);
    browser.saved();
    browser.see("Signed.");
    browser.tabTo("Read it in the chart", Keys.ENTER);
    browser.see("crystals, wiped off");
    browser.see("ended at its limit");
    browser.see("Next time:");
    browser.axe("Chart");
    browser.tabTo("Sheet", Keys.ENTER);
    browser.see("After your peel");
    browser.see("Sun without strict care");
    browser.axe("Sheet");
  }
}
