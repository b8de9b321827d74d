package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.annotation.Inherited;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.time.Instant;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.TestInfo;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/// What all journeys share: a demo practice on a Wednesday afternoon and a browser in it.
abstract class Journey {
  static final Instant NOW = Instant.parse("2026-11-25T14:02:00Z");

  RunningServer server;
  Browser browser;

  /// Width and height of the screen, px.
  int width() {
    return 1280;
  }

  int height() {
    return 800;
  }

  /// The server gets a process of its own, which the journey kills or measures.
  @Retention(RetentionPolicy.RUNTIME)
  @Inherited
  @interface OwnProcess {}

  @BeforeEach
  void start(TestInfo journey) {
    String name = getClass().getSimpleName();
    boolean own =
        journey.getTestMethod().orElseThrow().isAnnotationPresent(OwnProcess.class)
            || getClass().isAnnotationPresent(OwnProcess.class);
    server = own ? ServerProcess.demo(name, NOW) : RunningServer.demo(name, NOW);
    browser = new Browser(server, width(), height());
    browser.signIn();
  }

  @AfterEach
  void stop() {
    if (server != null) server.close();
    if (browser == null) return;
    browser.close();
    assertThat(browser.violations()).as("axe-core").isEmpty();
  }

  /// The server of a journey that is marked `OwnProcess`.
  ServerProcess process() {
    return (ServerProcess) server;
  }

  void as(String who) {
    browser.driver.manage().deleteAllCookies();
    browser.signIn(who);
  }

  /// The practice's answer, given by its clinician; then the therapist is back.
  void policy(String question, String answer) {
    as("thea");
    browser.driver.executeAsyncScript(
        """
        const [question, answer, done] = arguments;
        const token = decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1]);
        fetch("/api/practice/policies/" + question, {method: "PUT", body: JSON.stringify({answer}),
          headers: {"Content-Type": "application/json", "X-XSRF-TOKEN": token}}).then(done);
        """,
        question,
        answer);
    as("ines");
  }

  /// Opens a client's visit from Today.
  void openVisit(String client) {
    browser.openVisit(client);
  }

  /// Opens a station of a client's newest visit, whatever its day.
  void show(String client, String station) {
    Object visit =
        browser.driver.executeAsyncScript(
            """
            const [name, done] = arguments;
            fetch("/api/clients").then(r => r.json())
              .then(all => all.clients.find(c => c.name === name).id)
              .then(id => fetch(`/api/clients/${id}/visits`)).then(r => r.json())
              .then(visits => done(visits.at(-1).id));
            """,
            client);
    browser.open("/visits/" + visit + "/" + station);
    browser.see(client);
  }

  /// Reads the consent, ticks its statements, and signs with a typed name.
  void signConsentByKeyboard() {
    browser.tabTo("Read and sign consent", Keys.ENTER);
    browser.see("A superficial peel puts acid on the skin");
    browser.tabTo("~Choose those for this visit", Keys.ENTER);
    browser.tabTo("~I have read this", Keys.SPACE);
    browser.tabTo("~I have told of medicines", Keys.SPACE);
    browser.tabTo("~I will keep out of the sun", Keys.SPACE);
    browser.tabTo("~I may end the peel", Keys.SPACE);
    browser.tabTo("~Client cannot draw", Keys.SPACE);
    browser.axe("the consent");
    browser.tabTo("Sign consent", Keys.ENTER);
    browser.see("8 of 11 families");
  }

  /// The same by touch, with a signature that is drawn.
  ///
  /// @param families signed for then
  void signConsentByTouch(String client, int families) {
    browser.press("Read and sign consent");
    browser.click(Browser.containing("Choose those for this visit"));
    for (String statement :
        new String[] {"I have read this", "I have told", "I will keep out", "I may end"}) {
      browser.tick(statement);
    }
    browser.draw("Signature of " + client);
    browser.axe("the consent, signed by touch");
    browser.press("Sign consent");
    browser.see(families + " of 11 families");
  }

  /// Ishani's plan with three stages in two regions: an enzyme on both sides of a mask, then lactic
  /// acid on the hands.
  void sandwichAndHands() {
    show("Ishani Velloor", "plan");
    browser.press("Change the steps");
    browser.press("From a protocol");
    browser.click(By.xpath("//li[@role='menuitem'][contains(.,'Enzyme sandwich')]"));
    browser.see("Enzyme sandwich, version 1");
    browser.press("Add a region");
    browser.click(By.xpath("//li[@role='menuitem'][.='hands']"));
    browser.click(By.xpath("//li[@role='menuitem'][contains(.,'LAC-10')]"));
    browser.see("HANDS");
  }

  /// Yara's visit: a Jessner of two layers against the first choice, up to Ready.
  void jessnerIsPlanned() {
    show("Yara Minhas", "choose");
    browser.press("JES-RF");
    browser.press("Plan this");
    browser.type("Why this one", "rolling scars, and seven mandelic peels went well");
    browser.press("Plan JES-RF");
    browser.press("Keep and go to Ready");
  }

  /// All of Ready by touch: each step, the baseline, an easy answer to the prep, the timer.
  void ready(String keep) {
    browser.press("Begin");
    readyToThePrep(browser::press);
    browser.press("0 none");
    browser.saved();
    browser.click(key(1));
    browser.saved();
    browser.click(Browser.containing(keep));
    browser.saved();
    browser.see("Barrier");
    browser.press("All done, next");
    browser.saved();
    browser.press("Arm the timer");
    browser.at("/treat");
    browser.see("Start the first layer");
  }

  /// What changed, consent and photo each by itself; told line by line; cleansed, prepped.
  ///
  /// @param press presses the button with these words
  void readyToThePrep(Consumer<String> press) {
    for (int i = 0; i < 3; i++) next(press, "Done, next");
    browser.see("Said, line 1 of ");
    Matcher lines = Pattern.compile("Said, line 1 of (\\d+)").matcher(browser.text());
    assertThat(lines.find()).isTrue();
    int told = Integer.parseInt(lines.group(1));
    for (int line = 1; line <= told; line++) press.accept("Said, line " + line + " of " + told);
    next(press, "All lines said, next");
    next(press, "All done, next");
    next(press, "Done, next");
  }

  private void next(Consumer<String> press, String words) {
    press.accept(words);
    browser.saved();
  }

  /// The layer that is advised goes on, and is covered 20 s later; by keys.
  void layer() {
    browser.keys(Keys.SPACE);
    browser.saved();
    browser.pass(20);
    browser.keys("c");
    browser.saved();
  }

  /// A sensation key by touch.
  static By key(int value) {
    return By.cssSelector(".keys button:nth-child(" + (value + 1) + ")");
  }

  void feels(int value) {
    browser.click(key(value));
    browser.saved();
  }

  /// Every step of the ending, by touch.
  void takeOff() {
    browser.at("/settle");
    // The station is loaded when it is first opened; its steps come with it.
    browser.see("since END");
    while (browser.text().contains("Done, next")) {
      browser.click(Browser.containing("Done, next"));
      browser.saved();
    }
  }

  /// From END to the signed record, by touch.
  void settleAndSign(String firstName) {
    takeOff();
    browser.pass(60);
    feels(3);
    browser.see("Cool, then ask again");
    browser.pass(60);
    feels(1);
    browser.see("At rest");
    care();
    browser.press(firstName + " says: no burning");
    browser.at("/after");
    browser.see("When can I go out in the sun?");
  }

  /// Every step on calm skin that is put on and left, by touch, in its order.
  void care() {
    By next = By.xpath("(//ol[@aria-label='On the skin, in order']//button[not(@disabled)])[1]");
    while (!browser.driver.findElements(next).isEmpty()) {
      browser.click(next);
      browser.saved();
    }
  }

  void sign() {
    browser.press("Sign the record");
    browser.press("Sign");
    browser.saved();
    browser.see("Signed.");
  }
}
