package ivesk.e2e;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;

/// By touch on an upright tablet: a first TCA-10 against the first choice, in which frost on half
/// the face brings END.
class TcaOnTabletJourney extends Journey {

  @Override
  int width() {
    return 820;
  }

  @Override
  int height() {
    return 1180;
  }

  @Test
  void frostOnHalfTheFaceBringsEnd() {
    openVisit("Yara Minhas");
    browser.see("What fits Yara");
    browser.axe("Choose on a tablet");
    browser.press("TCA-10");
    browser.press("Plan this");
    browser.type("Why this one", "scars are the wish, seven mandelic peels went well");
    browser.press("Plan TCA-10");
    browser.see("BACK FROM THE DATE");
    browser.axe("Plan on a tablet");
    browser.press("Keep and go to Ready");
    ready("KeepTCA-10");
    browser.axe("Treat on a tablet");

    browser.click(Browser.containing("acid touches"));
    browser.saved();
    browser.pass(40);
    browser.click(Browser.containing("covered"));
    browser.saved();
    browser.see("Wait");
    feels(4);
    browser.pass(28);
    feels(7);
    browser.see("Hold: fan, no layer");

    browser.click(Browser.containing("fan on"));
    browser.saved();
    browser.click(By.cssSelector("[data-zone='FOREHEAD']"));
    browser.press("close Esc");
    browser.click(Browser.containing("whitening"));
    for (String zone : new String[] {"FOREHEAD", "CHEEK_RIGHT", "CHEEK_LEFT"}) {
      browser.click(By.cssSelector("[data-zone='" + zone + "']"));
    }
    browser.click(Browser.containing("F2 even"));
    browser.saved();
    browser.see("Ending whitening on half the treated area or more");
    browser.axe("Treat, END by frost");

    browser.click(By.xpath("//button[b='END']"));
    browser.at("/settle");
    browser.see("They dilute what is left and undo nothing: say so");
    settleAndSign("Yara");
    sign();
    browser.press("Read it in the chart");
    browser.see("F2 on forehead, right cheek and left cheek");
    browser.see("ended by frost");
    browser.axe("Chart on a tablet");
  }
}
