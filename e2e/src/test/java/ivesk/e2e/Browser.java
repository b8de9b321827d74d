package ivesk.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.WebDriver;
import org.openqa.selenium.WebDriverException;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.interactions.PointerInput;
import org.openqa.selenium.interactions.Sequence;
import org.openqa.selenium.support.ui.ExpectedConditions;
import org.openqa.selenium.support.ui.WebDriverWait;

/// A real browser, worked as a person would: by what is written on things, by touch or by keys.
final class Browser implements AutoCloseable {
  private static final Duration PATIENCE = Duration.ofSeconds(20);
  private static final Path ROOT =
      Path.of(System.getProperty("ivesk.root", "..")).toAbsolutePath().normalize();

  private static final int TABS_AT_ONCE = 6;

  /// What something is called by its label, or by what is written on it.
  private static final String NAME_OF =
      """
      const nameOf = e => {
        if (!e || e === document.body) return "";
        const group = e.closest("[role=group][aria-label]");
        const by = document.getElementById((e.getAttribute("aria-labelledby") || "").split(" ")[0]);
        const label = e.labels && e.labels[0] ? e.labels[0].textContent : by ? by.textContent : "";
        const own = e.getAttribute("aria-label") || label || e.textContent;
        const name = own.replace(/\\*/g, "").replace(/\\s+/g, " ").trim();
        return e.matches(".MuiToggleButton-root") && group
          ? group.getAttribute("aria-label") + " > " + name : name;
      };
      """;

  final ChromeDriver driver;
  private int taps;
  private final List<String> violations = new ArrayList<>();
  private final RunningServer server;

  Browser(RunningServer server, int width, int height) {
    this.server = server;
    driver = Chromium.lend();
    size(width, height);
  }

  void size(int width, int height) {
    driver.executeCdpCommand(
        "Emulation.setDeviceMetricsOverride",
        Map.of("width", width, "height", height, "deviceScaleFactor", 1, "mobile", false));
    // The practice of the demo is on UTC; so is its tablet.
    driver.executeCdpCommand("Emulation.setTimezoneOverride", Map.of("timezoneId", "UTC"));
  }

  void open(String path) {
    driver.get(server.url(path));
  }

  /// Who is signed in, in the corner of every screen.
  static final By PERSON = By.cssSelector("[aria-haspopup='dialog'][data-person]");

  void signIn() {
    signIn("ines");
  }

  void signIn(String who) {
    open("/");
    see("I have a one-time code");
    if (text().contains("With name and password")) press("With name and password");
    type("Name", who);
    type("Password", "harbour");
    press("Sign in");
    see("visits");
  }

  /// Looks again twenty times a second; what a page that is just replaced answers does not count.
  private WebDriverWait patiently() {
    return new WebDriverWait(driver, PATIENCE, Duration.ofMillis(50));
  }

  /// Waits for an element and gives it to the work, again when the page replaced it meanwhile.
  <T> T with(By by, Function<WebElement, T> work) {
    return patiently()
        .ignoring(WebDriverException.class)
        .withMessage(
            () -> "for " + by + " on " + driver.getCurrentUrl() + "; the page says: " + text())
        .until((WebDriver d) -> {
          List<WebElement> found = d.findElements(by);
          return found.stream().filter(WebElement::isDisplayed).findFirst().map(work).orElse(null);
        });
  }

  /// A button or link by what is written on it or said of it.
  static By named(String name) {
    String quoted = quote(name);
    String either =
        "(normalize-space(.)=%s or @aria-label=%s or starts-with(@aria-label,%s) or .//b[.=%s])"
            .formatted(quoted, quoted, quote(name + ","), quoted);
    return By.xpath(
        "//*[self::button or self::a or @role='button'][" + either + "][not(@disabled)]");
  }

  static By containing(String words) {
    return By.xpath(
        "//*[self::button or self::a][contains(normalize-space(.),%s) or contains(@aria-label,%s)][not(@disabled)]"
            .formatted(quote(words), quote(words)));
  }

  private static String quote(String words) {
    return words.contains("'") ? "\"" + words + "\"" : "'" + words + "'";
  }

  void press(String name) {
    click(named(name));
  }

  /// Opens a client's visit from Today, and waits until Today is gone: it tells the line of a
  /// running peel as well, so that a line seen too early would be Today's, with no couch behind it.
  void openVisit(String client) {
    WebElement onToday =
        patiently().until(ExpectedConditions.presenceOfElementLocated(named(client)));
    press(client);
    patiently().until(ExpectedConditions.stalenessOf(onToday));
  }

  private static final long DOUBLE_TAP_NANOS = 420_000_000;

  /// When each key, and the pointer, was last used.
  private final Map<String, Long> used = new HashMap<>();

  /// Pulls the network out of this screen, and puts it back.
  void offline(boolean is) {
    driver.executeCdpCommand("Network.enable", Map.of());
    driver.executeCdpCommand(
        "Network.emulateNetworkConditions",
        Map.of("offline", is, "latency", 0, "downloadThroughput", -1, "uploadThroughput", -1));
  }

  /// How often something was tapped so far.
  int taps() {
    return taps;
  }

  /// On the couch the same key, or the same place, counts once within 400 ms, whatever was done
  /// between; people are slower.
  private void unhurried(String what) {
    long since = System.nanoTime() - used.getOrDefault(what, 0L);
    if (used.containsKey(what) && since < DOUBLE_TAP_NANOS) {
      settle((DOUBLE_TAP_NANOS - since) / 1_000_000 + 1);
    }
  }

  private void used(String what) {
    used.put(what, System.nanoTime());
  }

  void click(By by) {
    taps++;
    with(
        by,
        element -> {
          // Rows of keys lie in the same places from step to step.
          unhurried("tap");
          // As a person would, out from under the sticky foot.
          driver.executeScript("arguments[0].scrollIntoView({block: 'nearest'})", element);
          element.click();
          // Counted from here: a busy browser takes its time to tap.
          used("tap");
          return true;
        });
  }

  /// An answer in a row of answers.
  void answer(String question, String choice) {
    click(
        By.xpath(
            "//*[@role='group'][@aria-label=%s]//button[normalize-space(.)=%s]"
                .formatted(quote(question), quote(choice))));
  }

  /// The same in the place of what stands in the field.
  void retype(String label, String words) {
    type(label, Keys.chord(Keys.CONTROL, "a") + words);
  }

  void type(String label, String words) {
    By field =
        By.xpath(
            "//label[starts-with(normalize-space(.),%s)]/following-sibling::div//*[self::input or self::textarea][not(@aria-hidden)]"
                .formatted(quote(label)));
    with(
        field,
        element -> {
          element.sendKeys(words);
          return true;
        });
  }

  /// Puts other words into a field that is named by its label, in the place of what is there.
  void clearAndType(String label, String words) {
    with(
        By.xpath("//label[starts-with(normalize-space(.),%s)]//input".formatted(quote(label))),
        element -> {
          element.sendKeys(Keys.chord(Keys.CONTROL, "a"), words);
          return true;
        });
  }

  /// Gives a file to a field of that name, as the system's dialog would.
  void file(String field, Path file) {
    driver
        .findElement(By.cssSelector("input[type=file][aria-label='" + field + "']"))
        .sendKeys(file.toAbsolutePath().toString());
  }

  void keys(CharSequence... keys) {
    String pressed = String.join("", keys);
    boolean moves =
        pressed.contains(Keys.TAB.toString()) || pressed.equals(Keys.ARROW_RIGHT.toString());
    if (!moves) unhurried(pressed);
    new Actions(driver).sendKeys(keys).perform();
    used(pressed);
  }

  /// Moves on with Tab alone until the focus is on what has this name, then presses the key. A name
  /// after "~" may stand anywhere in it. Tab is pressed a few times at once; whoever overshoots
  /// goes back with Shift and Tab.
  void tabTo(String name, CharSequence key) {
    List<String> passed = new ArrayList<>();
    int atOnce = name.contains(" > ") ? 1 : TABS_AT_ONCE;
    for (int i = 0; i < 240; i++) {
      String here = focused();
      if (matches(here, name)) {
        keys(key);
        return;
      }
      passed.add(here);
      // A row of answers is one stop for Tab; the arrows move within it.
      boolean inRow =
          name.contains(" > ") && here.startsWith(name.substring(0, name.indexOf(" > ") + 3));
      if (inRow || atOnce == 1) {
        keys(inRow ? Keys.ARROW_RIGHT : Keys.TAB);
        continue;
      }
      List<String> stops = tab(atOnce);
      passed.addAll(stops);
      int found = 0;
      while (found < stops.size() && !matches(stops.get(found), name)) found++;
      if (found == stops.size()) continue;
      for (int back = stops.size() - 1; back > found; back--) {
        keys(Keys.chord(Keys.SHIFT, Keys.TAB));
      }
      // A date has a stop for each of its parts, and is entered at the first.
      boolean date =
          (Boolean) driver.executeScript("return /^date/.test(document.activeElement.type || '')");
      if (date) {
        while (matches(focused(), name)) keys(Keys.chord(Keys.SHIFT, Keys.TAB));
        keys(Keys.TAB);
      }
      // Where the way back is another one, it is gone step by step.
      if (!matches(focused(), name)) atOnce = 1;
    }
    throw new AssertionError("no way by Tab to '" + name + "'; passed " + passed);
  }

  /// Presses Tab some times and says where the focus stopped on the way.
  @SuppressWarnings("unchecked")
  private List<String> tab(int times) {
    driver.executeScript(
        NAME_OF
            + """
            window.stops = [];
            window.noteStop ??= e => window.stops.push(nameOf(e.target));
            document.addEventListener("focusin", window.noteStop);
            """);
    keys(Keys.TAB.toString().repeat(times));
    return (List<String>) driver.executeScript("return window.stops");
  }

  private static boolean matches(String here, String name) {
    return here.equals(name)
        || here.startsWith(name + ",")
        || here.startsWith(name + ":")
        // A whole dialog that has the focus holds the words of all that is in it.
        || name.startsWith("~") && here.length() < 300 && here.contains(name.substring(1));
  }

  String focused() {
    return (String) driver.executeScript(NAME_OF + "return nameOf(document.activeElement)");
  }

  /// Draws a signature with a finger in the field that has this name.
  void draw(String field) {
    taps++;
    WebElement pad =
        with(
            By.xpath("//*[@role='img'][starts-with(@aria-label,%s)]".formatted(quote(field))),
            element -> element);
    driver.executeScript("arguments[0].scrollIntoView({block: 'center'})", pad);
    PointerInput finger = new PointerInput(PointerInput.Kind.TOUCH, "finger");
    Sequence stroke = new Sequence(finger, 0);
    PointerInput.Origin origin = PointerInput.Origin.fromElement(pad);
    stroke.addAction(finger.createPointerMove(Duration.ZERO, origin, -120, 10));
    stroke.addAction(finger.createPointerDown(PointerInput.MouseButton.LEFT.asArg()));
    for (int i = 1; i <= 24; i++) {
      stroke.addAction(
          finger.createPointerMove(
              Duration.ofMillis(8), origin, -120 + i * 9, (int) (10 - 22 * Math.sin(i / 2.0))));
    }
    stroke.addAction(finger.createPointerUp(PointerInput.MouseButton.LEFT.asArg()));
    driver.perform(List.of(stroke));
  }

  /// Ticks a box by a part of its words.
  void tick(String words) {
    click(By.xpath("//label[contains(.,%s)]".formatted(quote(words))));
  }

  /// Milliseconds from a tap on an answer until the page shows these words.
  long millisFromTapTo(String question, String choice, String words) {
    return (Long)
        driver.executeAsyncScript(
            """
            const [question, choice, words, done] = arguments;
            const group = [...document.querySelectorAll("[role=group]")]
              .find(g => g.getAttribute("aria-label") === question);
            const button = [...group.querySelectorAll("button")]
              .find(b => b.textContent.trim() === choice);
            const start = performance.now();
            const seen = () => document.querySelector("[aria-label=Verdict]")
              .textContent.includes(words);
            const observer = new MutationObserver(() => {
              if (!seen()) return;
              observer.disconnect();
              requestAnimationFrame(() => done(Math.round(performance.now() - start)));
            });
            observer.observe(document.body, {subtree: true, childList: true, characterData: true});
            button.click();
            """,
            question,
            choice,
            words);
  }

  void see(String words) {
    patiently()
        .ignoring(WebDriverException.class)
        .withMessage(
            () -> "to see '" + words + "' on " + driver.getCurrentUrl() + "; it says: " + text())
        .until(d -> text().contains(words));
    drawn();
  }

  /// Waits until what is on the page is drawn and listens to keys.
  private void drawn() {
    driver.executeAsyncScript("requestAnimationFrame(() => setTimeout(arguments[0]))");
  }

  void at(String path) {
    patiently()
        .withMessage(() -> "to be at " + path + ", is at " + driver.getCurrentUrl())
        .until(d -> d.getCurrentUrl().endsWith(path));
  }

  String textOf(By by) {
    return with(by, WebElement::getText);
  }

  String text() {
    return (String)
        driver.executeScript("return document.body.innerText.replaceAll('\\u00a0', ' ')");
  }

  /// What a clock shows, by its name.
  String clock(String name) {
    return with(By.xpath("//*[@role='timer'][@aria-label='" + name + "']"), WebElement::getText);
  }

  /// Lets the server's time pass and the page learn of it.
  void pass(double seconds) {
    server.pass(seconds);
    driver.executeScript("window.dispatchEvent(new Event('visibilitychange'))");
    settle(300);
  }

  /// Waits until what was said has reached the server.
  void saved() {
    patiently()
        .until(d ->
            Boolean.TRUE.equals(
                driver.executeScript(
                    "return !Object.keys(localStorage).some(k => k.startsWith('ivesk.unsent'))")));
    settle(150);
  }

  static void settle(long millis) {
    try {
      Thread.sleep(millis);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  /// What axe-core found on every screen it was shown.
  List<String> violations() {
    return violations;
  }

  /// Looks for violations with axe-core, whose script is injected from the web module.
  void axe(String where) {
    settle(250);
    try {
      driver.executeScript(Files.readString(ROOT.resolve("web/node_modules/axe-core/axe.min.js")));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    Object found =
        driver.executeAsyncScript(
            """
            const done = arguments[arguments.length - 1];
            axe.run(document, {runOnly: ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa",
                                         "best-practice"]})
              .then(r => done(r.violations.map(v => v.id + ": "
                  + v.nodes.slice(0, 3).map(n => n.target.join(" ") + " " + n.failureSummary)
                      .join(" | "))));
            """);
    ((List<?>) found).forEach(violation -> violations.add(where + ": " + violation));
  }

  void picture(String name) {
    Path folder = ROOT.resolve("docs/screenshots");
    settle(400);
    try {
      Files.createDirectories(folder);
      Files.write(folder.resolve(name + ".png"), driver.getScreenshotAs(OutputType.BYTES));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /// Resident memory of this browser's pages, kB.
  long pagesKb() {
    String profile =
        ((Map<?, ?>) driver.getCapabilities().getCapability("chrome"))
            .get("userDataDir")
            .toString();
    return ProcessHandle.current()
        .descendants()
        .filter(process -> commandLine(process).contains("--type=renderer"))
        .filter(process -> ofProfile(process, profile))
        .mapToLong(process -> residentKb(process.pid()))
        .sum();
  }

  private static boolean ofProfile(ProcessHandle process, String profile) {
    return Stream.iterate(process.parent(), Optional::isPresent, one -> one.get().parent())
        .anyMatch(one -> commandLine(one.get()).contains(profile));
  }

  private static String commandLine(ProcessHandle process) {
    return lines(process.pid(), "cmdline").findFirst().orElse("");
  }

  private static long residentKb(long pid) {
    return lines(pid, "status")
        .filter(line -> line.startsWith("VmRSS:"))
        .mapToLong(line -> Long.parseLong(line.replaceAll("[^0-9]", "")))
        .sum();
  }

  /// Nothing once the process is over.
  private static Stream<String> lines(long pid, String what) {
    try {
      return Files.readAllLines(Path.of("/proc/" + pid + "/" + what)).stream();
    } catch (IOException e) {
      return Stream.empty();
    }
  }

  @Override
  public void close() {
    Chromium.giveBack(driver, server.url(""));
  }
}
