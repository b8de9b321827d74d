package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/// From an empty folder to a practice with its owner, a colleague and the first client.
class FirstStartJourney {
  private static final String PASSWORD = "the quince tree by the gate";

  private ServerProcess server;
  private Browser browser;

  @BeforeEach
  void start() {
    server = ServerProcess.empty("FirstStartJourney", Journey.NOW);
    browser = new Browser(server, 1280, 800);
  }

  @AfterEach
  void stop() {
    server.close();
    browser.close();
    assertThat(browser.violations()).as("axe-core").isEmpty();
  }

  @Test
  void anOwnerAColleagueAndALockedOne() {
    browser.open("/");
    browser.see("Nobody works here yet");
    browser.axe("nobody works here");
    String address = address(server);
    browser.open("/first-start#0123");
    fill("password1234");
    browser.press("Make the practice");
    browser.see("Nothing was made");
    browser.open("/");
    browser.open(address);
    fill("password1234");
    browser.press("Make the practice");
    browser.see("one of those that are tried first");
    browser.axe("the first start");
    browser.retype("Password", PASSWORD);
    browser.retype("Password once more", PASSWORD);
    browser.press("Make the practice");
    browser.see("Sunniva Arle");
    browser.see("Nobody is booked today");
    browser.press("Begin the tour");
    browser.see("Nora Tryout does not exist");
    browser.axe("the tour");
    browser.press("Consult");
    browser.at("/consult");
    browser.see("Nora Tryout");
    browser.open("/");
    browser.press("Throw Nora Tryout away");
    browser.see("Nobody is booked today");

    // The address did its work.
    browser.open("/");
    browser.open(address);
    fill(PASSWORD);
    browser.press("Make the practice");
    browser.see("This address was used");

    browser.open("/practice/people");
    browser.see("signed in on 1 device");
    browser.axe("people");
    browser.press("Add somebody");
    browser.type("Name", "Odd Rennick");
    browser.type("Sign-in name", "odd");
    browser.axe("adding somebody");
    browser.press("Add");
    String code = browser.textOf(By.cssSelector("[aria-label='One-time code'] .mono"));
    browser.click(Browser.PERSON);
    browser.press("Sign out");
    browser.press("I have a one-time code");
    browser.type("Name", "odd");
    browser.type("One-time code", code);
    browser.type("Your own password", "short");
    browser.press("Set it and sign in");
    browser.see("give at least 12");
    browser.retype("Your own password", "nine grey herons at dusk");
    browser.press("Set it and sign in");
    browser.see("Odd Rennick");
    browser.open("/practice/people");
    browser.see("not open to your account");
    browser.open("/self");
    browser.see("Your sign-in");
    browser.axe("one's own sign-in");
  }

  /// The one-time address that a server without a practice printed.
  static String address(ServerProcess server) {
    Matcher address =
        Pattern.compile("http://127\\.0\\.0\\.1:[0-9]+(/first-start#[0-9a-f]{64})")
            .matcher(server.printed());
    assertThat(address.find()).isTrue();
    return address.group(1);
  }

  private void fill(String password) {
    fill(browser, password);
  }

  /// What the first start asks, filled in.
  static void fill(Browser browser, String password) {
    browser.see("A practice of your own");
    browser.type("Practice", "Glasshouse Lane");
    browser.type("Town", "Ondrel");
    browser.type("Your name", "Sunniva Arle");
    browser.type("Sign-in name", "sunniva");
    browser.type("Password", password);
    browser.type("Password once more", password);
    browser.type("Emergency number", "112" + Keys.TAB);
  }
}
