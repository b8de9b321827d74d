package ivesk.e2e;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/// Each calculation of the Bench once by keyboard and once by touch.
class BenchJourney extends Journey {

  @Test
  void byKeyboard() {
    browser.tabTo("Bench", Keys.ENTER);
    browser.see("33.4 %");
    browser.tabTo("This label, pH", clear(3) + "3.83");
    browser.see("17.5 %");
    browser.axe("Free acid");
    browser.tabTo("This label, pH", clear(4) + "15");
    browser.see("PH is 15.0; allowed is 0.0 to 14.0");
    browser.tabTo("Two strengths into one", Keys.ENTER);
    browser.see("40.0 + 60.0 mL");
    browser.axe("Two strengths");
    browser.tabTo("Dilute", Keys.ENTER);
    browser.see("50.0 mL");
    browser.tabTo("~strength wanted", clear(2) + "90");
    browser.see("above the stock's 70.0 %");
    browser.axe("Dilute, refused");
    browser.tabTo("Neutraliser", Keys.ENTER);
    browser.see("23.2 mL");
    browser.axe("Neutraliser");
    browser.tabTo("Dose", Keys.ENTER);
    browser.see("1.50 mg/cm²");
    browser.tabTo("~volume of a layer", clear(1) + "three");
    browser.see("“three” is no number");
    browser.axe("Dose");
    browser.tabTo("Label to label", Keys.ENTER);
    browser.see("88.9 % w/v");
    browser.axe("Label to label");
    browser.tabTo("From parts", Keys.ENTER);
    browser.see("lactic 11.9 % w/v, weighed as 14.0");
    browser.axe("From parts");
    browser.tabTo("pH", Keys.ENTER);
    browser.see("trust a meter");
    browser.tabTo("pH meter", Keys.ENTER);
    browser.see("Not calibrated");
    browser.tabTo("Dip in buffer 7.00", Keys.ENTER);
    browser.tabTo("Dip in buffer 4.01", Keys.ENTER);
    browser.see("59.16 mV a pH");
    browser.tabTo("~Bottle", Keys.ENTER);
    browser.keys("GLY-35", Keys.ENTER);
    browser.see("its label says 2.5");
    browser.axe("pH meter");
    browser.tabTo("Dilute in steps", Keys.ENTER);
    browser.see("step 3");
    browser.axe("Dilute in steps");
    browser.tabTo("Skin passage", Keys.ENTER);
    browser.see("cm/h");
    browser.axe("Skin passage");
  }

  @Test
  void byTouchOnATablet() {
    browser.size(820, 1180);
    browser.press("Bench");
    browser.click(By.xpath("//*[@role='combobox'][contains(@aria-labelledby,'')][1]"));
    browser.click(By.xpath("//li[@role='option'][starts-with(.,'LAC-30')]"));
    browser.see("30.0 × 0.879");
    for (String[] tool :
        new String[][] {
          {"Two strengths into one", "40.0 + 60.0 mL"},
          {"Dilute", "made up to 100.0 mL"},
          {"Dilute in steps", "6.25 %"},
          {"Neutraliser", "twice the 11.60 mL that meet the acid"},
          {"Dose", "1.50 mg/cm²"},
          {"Label to label", "11.69 mol/L"},
          {"From parts", "14.0 / 14.0 / 11.9"},
          {"pH", "Exact charge balance"},
          {"pH meter", "Calibrate, then dip"},
          {"Skin passage", "whole skin"}
        }) {
      browser.press(tool[0]);
      browser.see(tool[1]);
      browser.axe(tool[0] + " on a tablet");
    }
    browser.press("Neutraliser");
    browser.answer("Neutraliser", "arginine");
    browser.see("no gas");
  }

  private static String clear(int letters) {
    return Keys.BACK_SPACE.toString().repeat(letters);
  }
}
