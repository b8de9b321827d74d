package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;

/// One request a tap: what a write has answered is not asked for again. The frame's own look at
/// Today, every five seconds whatever is tapped, is not counted.
class RequestsJourney extends Journey {

  @Test
  void anAnswerInScreenIsOneWriteAndAtMostOneRead() {
    show("Adaeze Orland", "screen");
    browser.see("Fever or unwell today");
    Browser.settle(1500);
    listen();
    browser.answer("Fever or unwell today", "yes");
    browser.see("unwell today");
    List<String> asked = heard();
    System.out.println("one answer in Screen: " + asked);
    assertThat(asked).filteredOn(one -> one.startsWith("PUT ")).hasSize(1);
    assertThat(asked).filteredOn(one -> one.startsWith("GET ")).hasSizeLessThanOrEqualTo(1);
    assertThat(asked).hasSizeLessThanOrEqualTo(2);
  }

  @Test
  void aDigitInTreatIsOneWriteAndNoRead() {
    show("Jonas Arkwright", "treat");
    browser.see("END");
    Browser.settle(1500);
    listen();
    browser.keys("3");
    browser.saved();
    List<String> asked = heard();
    System.out.println("one digit in Treat: " + asked);
    assertThat(asked).hasSize(1);
    assertThat(asked.getFirst()).startsWith("POST ").endsWith("/events");

    listen();
    browser.click(By.xpath("//*[@class='keys']//button[starts-with(normalize-space(.),'2')]"));
    browser.saved();
    assertThat(heard()).as("the same by touch").hasSize(1);
  }

  private void listen() {
    browser.driver.executeScript(
        """
        window.asked = [];
        window.plainFetch = window.plainFetch ?? window.fetch;
        window.fetch = request => {
          window.asked.push(request.method + " " + new URL(request.url).pathname);
          return window.plainFetch(request);
        };
        """);
  }

  /// What was asked since, once nothing more can follow from the tap.
  @SuppressWarnings("unchecked")
  private List<String> heard() {
    Browser.settle(1500);
    List<String> all = (List<String>) browser.driver.executeScript("return window.asked");
    return all.stream().filter(one -> !one.equals("GET /api/today")).toList();
  }
}
