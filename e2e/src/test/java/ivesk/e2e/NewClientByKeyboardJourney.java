package ivesk.e2e;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;

/// Somebody who has just walked in, from the name to the verdict, by keyboard alone; then found
/// again from anywhere with "/".
class NewClientByKeyboardJourney extends Journey {

  @Test
  void fromTheNameToTheVerdict() {
    browser.tabTo("New visit", Keys.ENTER);
    browser.tabTo("Client, or a new name", "Núria Ferrer-Sand");
    browser.tabTo("Date of birth", "12041991");
    browser.axe("New visit");
    browser.tabTo("Add visit", Keys.ENTER);
    browser.see("What Núria sees");

    browser.tabTo("Settle the type", Keys.ENTER);
    browser.tabTo("Type > III", Keys.SPACE);
    browser.tabTo("Why this type", "told at a clinic last year");
    browser.tabTo("Settle", Keys.ENTER);
    browser.see("Settled as III");
    browser.tabTo("Enter", Keys.ENTER);
    browser.see("read elsewhere");
    browser.tabTo("L", "140");
    browser.tabTo("a", "12");
    browser.tabTo("b", "17");
    browser.see("L* is 140.0; allowed is 0.0 to 100.0");
    browser.tabTo("L", "" + Keys.BACK_SPACE + Keys.BACK_SPACE + Keys.BACK_SPACE + "61");
    browser.see("ITA 32.9°, intermediate");
    browser.axe("the reading of a colour");
    browser.tabTo("Keep reading", Keys.ENTER);
    browser.see("Intermediate by instrument, beside type III");
    browser.tabTo("dull 2", Keys.SPACE);
    browser.tabTo("make dull a goal", Keys.SPACE);
    browser.tabTo("Sensitivity > normal", Keys.SPACE);
    browser.tabTo("Add a home product", Keys.ENTER);
    browser.tabTo("Product, or its kind", "Night cream");
    browser.tabTo("retinol", Keys.SPACE);
    // Dates that are told apart whichever of day and month the browser takes first.
    browser.tabTo("Started on", "11102026");
    browser.tabTo("Last used on", "10092026");
    browser.tabTo("Keep product", Keys.ENTER);
    browser.see("before it was started on");
    browser.tabTo("Started on", "08072026");
    browser.tabTo("Keep product", Keys.ENTER);
    browser.see("retinol, since");
    browser.axe("Consult of a new client");
    browser.tabTo("Go to Screen", Keys.ENTER);

    browser.see("May Núria have a peel");
    for (String group :
        new String[] {
          "The body now",
          "Medicines and products",
          "Done to the skin lately",
          "History",
          "Comfort and wishes"
        }) {
      browser.tabTo(group + ": none of the rest applies", Keys.ENTER);
      Browser.settle(150);
    }
    browser.see("from the home products: Night cream");
    browser.see("no signed consent");
    signConsentByKeyboard();
    browser.see("Not until what is named is done.");
    browser.see("Opens the most: no patch test");
    browser.axe("Screen of a new client");

    browser.keys("/");
    browser.see("Adaeze Orland");
    browser.keys("nuria SAND");
    browser.see("Núria Ferrer-Sand");
    Browser.settle(300);
    browser.axe("the finder");
    browser.keys(Keys.ENTER);
    browser.see("VISITS");
    browser.axe("the chart of a new client");
  }
}
