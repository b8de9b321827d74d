package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/// What the client takes home and what is heard back; what comes next.
class AfterTheDoorJourney extends Journey {

  private Object script(String words, Object... arguments) {
    return browser.driver.executeAsyncScript(words, arguments);
  }

  private void chart(String client, String tab) {
    Object id =
        script(
            """
            const [name, done] = arguments;
            fetch("/api/clients?find=" + encodeURIComponent(name)).then(r => r.json())
              .then(all => done(all.clients[0].id));
            """,
            client);
    browser.open("/clients/" + id + tab);
    browser.see(client);
  }

  /// The PDF that a key of the page opens, read back by a library that others would read it with.
  private String pdf(String key) {
    browser.driver.executeScript(
        "window.opened = undefined; window.open = file => { window.opened = file; return {}; }");
    browser.press(key);
    Object base64 =
        script(
            """
            const [done] = arguments;
            const read = () => window.opened === undefined
              ? setTimeout(read, 50)
              : fetch(window.opened).then(r => r.arrayBuffer()).then(file => {
                  let bytes = "";
                  new Uint8Array(file).forEach(b => { bytes += String.fromCharCode(b); });
                  done(btoa(bytes));
                });
            read();
            """);
    try (PDDocument file = Loader.loadPDF(Base64.getDecoder().decode(base64.toString()))) {
      assertThat(file.getNumberOfPages()).isEqualTo(1);
      return new PDFTextStripper().getText(file).replaceAll("\\s+", " ");
    } catch (IOException e) {
      throw new AssertionError(e);
    }
  }

  @Test
  void aSheetInTwoLanguagesAndARedFlagByTheDiary() {
    show("Greta Sollund", "after");
    browser.see("Cream with ceramides");
    browser.answer("Cream with ceramides", "bought");
    browser.press("Sheet to give");
    browser.see("After your peel");
    assertThat(pdf("PDF, A4"))
        .contains(
            "After your peel", "Lactic acid 10 %, one layer", "Without strict care from Wed 9 Dec");
    browser.press("Deutsch");
    browser.see("Nach Ihrem Peeling");
    browser.see("Creme mit Ceramiden");
    browser.axe("the sheet in German");
    assertThat(pdf("PDF, Letter"))
        .contains("Nach Ihrem Peeling", "Milchsäure 10 %, eine Schicht", "Notrufnummer: 112");

    browser.open(browser.driver.getCurrentUrl().replaceAll(".*(/visits/.*)/sheet", "$1/after"));
    browser.see("as PDF, in Deutsch, by Ines Kov");
    browser.press("Given Wed 25 Nov, 14:02, as PDF, in English, by Ines Kov");
    browser.see("As it was given Wed 25 Nov");
    browser.axe("the sheet as it was given");

    // By telephone: what is an emergency is said before anything else is asked.
    browser.open("/");
    browser.click(Browser.containing("Ask Sunniva"));
    browser.press("trouble with breath");
    browser.see("Emergency number at once");
    assertThat(browser.text()).contains("112");
    assertThat(browser.driver.findElement(Browser.named("Leave it")).isEnabled()).isTrue();
    browser.axe("an emergency by telephone");
    browser.press("Leave it");

    policy("HANDSET", "on");
    chart("Sunniva Brekke", "");
    browser.press("Page for the client's phone");
    browser.press("Make the link");
    browser.see("Opens until the last check-in.");
    browser.axe("the link");
    String address =
        browser
            .driver
            .findElement(By.cssSelector("svg[aria-label^='QR code of ']"))
            .getAttribute("aria-label");
    browser.size(360, 740);
    browser.open("/diary" + address.substring(address.indexOf('#')));
    browser.see("How is it, Sunniva?");
    assertThat(browser.driver.findElement(By.tagName("body")).getText()).doesNotContain("Brekke");
    browser.answer("How does it feel now, 0 nothing to 10 unbearable?", "3");
    browser.answer("Flakes", "a little");
    browser.answer("Redness", "some");
    browser.press("a blister");
    browser.axe("the diary");
    browser.press("Send");
    browser.see("This needs a doctor’s eye today.");
    browser.size(1280, 800);

    browser.open("/");
    browser.see("supervising clinician today");
    Object visit =
        script(
            """
            const [done] = arguments;
            const token = decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1]);
            fetch("/api/clients?find=Sunniva").then(r => r.json()).then(all =>
              fetch("/api/visits", {method: "POST", body: JSON.stringify({
                  clientId: all.clients[0].id, startsAt: "2026-12-21T10:00:00Z", room: "room 1"}),
                headers: {"Content-Type": "application/json", "X-XSRF-TOKEN": token}}))
              .then(r => r.json()).then(made => done(made.id));
            """);
    browser.open("/visits/" + visit + "/screen");
    browser.see("red flag open since Wed 25 Nov");

    as("thea");
    chart("Sunniva Brekke", "");
    browser.click(By.xpath("//button[.//b[contains(.,'LAC-30')]]"));
    browser.press("Close with a note");
    browser.type("What was seen, and what was done", "Seen by video: one dry scratch, no fluid.");
    browser.axe("closing a flag");
    browser.press("Close it");
    browser.see("closed Wed 25 Nov by Dr Thea Lund: Seen by video");
    browser.open("/visits/" + visit + "/screen");
    browser.see("Sunniva Brekke");
    browser.settle(600);
    assertThat(browser.driver.findElement(By.tagName("body")).getText())
        .doesNotContain("red flag open since");
  }

  /// Closed on the days that are given, by the practice's clinician.
  private void closedOn(String... days) {
    as("thea");
    script(
        """
        const [days, done] = arguments;
        const token = decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1]);
        fetch("/api/practice").then(r => r.json()).then(practice =>
          fetch("/api/practice", {method: "PUT",
            body: JSON.stringify({...practice,
              closedDays: days.map(day => ({day, why: "winter holiday"}))}),
            headers: {"Content-Type": "application/json", "X-XSRF-TOKEN": token}})).then(done);
        """,
        List.of(days));
    as("ines");
  }

  @Test
  void aCourseMovedAroundAHolidayAndScoresByKeyboard() {
    closedOn("2026-12-21", "2026-12-28");
    chart("Sunniva Brekke", "/progress");
    browser.press("Book a course");
    browser.see("moved 14 days: the practice is closed this day: winter holiday");
    browser.axe("a course before it is booked");
    browser.press("Book 5 visits");
    browser.see("0 of 5");
    browser.see("Mon 4 Jan");
    browser.press("Move the course");
    browser.see("All that follow are laid anew");
    browser.axe("moving a course");
    browser.retype("To", "12092026");
    browser.press("Move");
    browser.see("Wed 9 Dec");
    browser.see("Wed 6 Jan");
    browser.axe("the course");

    chart("Oumar Belgrave", "/progress");
    browser.see("mMASI 9.2 to 3.2, 6 peels in");
    browser.tabTo("Score the skin", Keys.ENTER);
    browser.see("Homogeneity");
    browser.tabTo("~forehead, Area", "");
    browser.keys("2", "1", "1", "2", "1", "1", "2", "1", "1", "1", "1", "0");
    browser.see("mMASI 1.9");
    browser.axe("scores");
    browser.tabTo("Keep the scores", Keys.ENTER);
    browser.see("mMASI 9.2 to 1.9, 6 peels in");
    browser.keys("t");
    browser.see("Wed 25 Nov");
    browser.axe("progress as a table");
    browser.keys("t");
    browser.size(820, 1180);
    browser.axe("progress on a tablet");
  }

  /// All of one client, as the chart's link gives it.
  private Path downloaded(String link) throws IOException {
    Object words =
        script(
            """
            const [name, done] = arguments;
            const link = [...document.querySelectorAll("a")].find(a => a.textContent === name);
            fetch(link.href).then(r => r.text()).then(done);
            """,
            link);
    return Files.writeString(Files.createTempFile("client-", ".json"), words.toString());
  }

  private static void takeIn(Browser there, Path file) {
    there.open("/practice/health");
    there.see("Read in: records that were taken out");
    there.file("File to read in", file);
    there.see("would do this; nothing is written yet.");
  }

  @Test
  void allOfOneClientIsOpenedElsewhere() throws IOException {
    chart("Eskil Varga", "");
    browser.see("signed");
    Path file = downloaded("All of it, as a file");
    Path bundle = downloaded("HL7 FHIR R4");
    try (ServerProcess server = ServerProcess.empty("Elsewhere", NOW);
        Browser there = new Browser(server, 1280, 800)) {
      there.open(FirstStartJourney.address(server));
      FirstStartJourney.fill(there, "the quince tree by the gate");
      there.press("Make the practice");
      there.see("Nobody is booked today");
      takeIn(there, file);
      there.see("1 client more");
      there.axe("a file looked at");
      there.press("Leave it");
      there.open("/clients");
      there.settle(400);
      assertThat(there.text()).doesNotContain("Eskil");
      takeIn(there, file);
      there.press("Take it in");
      there.see("was taken in.");
      there.open("/clients");
      there.press("Eskil Varga");
      there.see("Session log");
      there.see("Salicylic");
      assertThat(there.text()).contains("signed");
      there.axe("a chart from elsewhere");

      takeInNothing(there, bundle);
      takeInSpoilt(there, file);
      assertThat(there.violations()).as("axe-core elsewhere").isEmpty();
    }
  }

  /// What is here already is not written twice.
  private static void takeInNothing(Browser there, Path bundle) {
    there.open("/practice/health");
    there.see("Read in: records that were taken out");
    there.file("File to read in", bundle);
    there.see("holds nothing that is not here.");
  }

  private static void takeInSpoilt(Browser there, Path file) throws IOException {
    Path spoilt = Files.createTempFile("spoilt-", ".json");
    Files.writeString(
        spoilt, Files.readString(file).replaceFirst("\"[0-9-]{10}\",", "\"spring\","));
    there.open("/practice/health");
    there.see("Read in: records that were taken out");
    there.file("File to read in", spoilt);
    there.see("client.date_of_birth is a date");
    there.see("Nothing was saved.");
  }

  @Test
  void twoChartsOfOnePersonAreJoinedAndTakenApart() {
    chart("Casper Wynd", "");
    browser.press("Join another chart");
    browser.type("The other chart", "linnea");
    browser.see("Linnea Strand, born");
    browser.keys(Keys.ARROW_DOWN, Keys.ENTER);
    browser.see("The days of birth differ");
    browser.see("Comes over:");
    browser.axe("joining charts");
    browser.press("Join them");
    browser.see("Holds also the chart of");
    browser.axe("joined charts");
    browser.press("Linnea Strand");
    browser.see("Joined into the chart of");
    browser.press("Take apart");
    browser.see("lighthouse guide");
    browser.settle(500);
    assertThat(browser.text()).doesNotContain("Joined into").doesNotContain("archived");
  }
}
