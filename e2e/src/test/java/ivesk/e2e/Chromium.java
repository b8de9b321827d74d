package ivesk.e2e;

import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Queue;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.openqa.selenium.WebDriverException;
import org.openqa.selenium.WindowType;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;

/// Browsers that serve one journey after the other: a new tab each time, and nothing left of who
/// had it before but what was fetched.
final class Chromium {
  private static final Queue<ChromeDriver> FREE = new ConcurrentLinkedQueue<>();

  static {
    Runtime.getRuntime().addShutdownHook(new Thread(() -> FREE.forEach(ChromeDriver::quit)));
  }

  private Chromium() {}

  static ChromeDriver lend() {
    ChromeDriver free = FREE.poll();
    return free == null ? start() : free;
  }

  /// Takes a browser back; one that does not answer is ended.
  static void giveBack(ChromeDriver driver, String origin) {
    try {
      Set<String> before = driver.getWindowHandles();
      driver.switchTo().newWindow(WindowType.TAB);
      String fresh = driver.getWindowHandle();
      for (String window : before) {
        driver.switchTo().window(window);
        driver.close();
      }
      driver.switchTo().window(fresh);
      driver.executeCdpCommand("Network.clearBrowserCookies", Map.of());
      driver.executeCdpCommand(
          "Storage.clearDataForOrigin", Map.of("origin", origin, "storageTypes", "all"));
      FREE.add(driver);
    } catch (WebDriverException e) {
      driver.quit();
    }
  }

  private static ChromeDriver start() {
    ChromeOptions options = new ChromeOptions();
    options.setBinary("/usr/bin/chromium");
    options.addArguments(
        Boolean.getBoolean("ivesk.seen") ? "--window-position=0,0" : "--headless=new",
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--hide-scrollbars",
        "--lang=en-GB",
        "--user-data-dir=" + profile());
    return new ChromeDriver(
        new ChromeDriverService.Builder()
            .usingDriverExecutable(new File("/usr/bin/chromedriver"))
            .build(),
        options);
  }

  private static Path profile() {
    try {
      return Files.createTempDirectory("ivesk-browser-");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
