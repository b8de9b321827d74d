package ivesk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/// Every kind of advice under acid, with the longest reason that random peels came upon, rendered
/// at each size: it has room for its word, its reason and its keys, and hides none. The file is
/// written by core's random peels; an alarm has a screen of its own.
class EveryAdviceJourney extends Journey {
  /// The last is 1280x800 at 200 %.
  private static final List<int[]> SIZES =
      List.of(
          new int[] {1280, 657},
          new int[] {1024, 768},
          new int[] {820, 1180},
          new int[] {390, 844},
          new int[] {640, 400});

  @Test
  void hasRoomAtEverySize() throws IOException {
    String all = Files.readString(Path.of("../web/src/treatment/longestAdvice.json"));
    browser.driver.executeCdpCommand(
        "Page.addScriptToEvaluateOnNewDocument",
        Map.of(
            "source",
            """
            const ask = window.fetch;
            window.EventSource = class { addEventListener() {} close() {} };
            window.fetch = async (...asked) => {
              const answer = await ask(...asked);
              const url = typeof asked[0] === "string" ? asked[0] : asked[0].url;
              const given = localStorage.getItem("advice");
              if (!given || !/\\/api\\/treatments\\/[0-9a-f-]+(\\?|$)/.test(url)) return answer;
              const state = await answer.json();
              const { action, other, kind, line, passable, reason, steps } = JSON.parse(given);
              const { ahead } = state.couch;
              ahead.all[ahead.now] = { ...ahead.all[ahead.now], action, other, kind, line, passable, reason, steps, until: undefined };
              ahead.cues = [];
              return new Response(JSON.stringify(state), { status: 200, headers: answer.headers });
            };
            """));
    openVisit("Jonas Arkwright");
    browser.see("Leave it to 8:00");
    int many =
        ((Number)
                browser.driver.executeScript(
                    """
                    window.all = JSON.parse(arguments[0]).filter(one => !["EMERGENCY", "EYE"].includes(one.kind) && one.steps.length === 0);
                    localStorage.setItem("all", JSON.stringify(window.all));
                    return window.all.length;
                    """,
                    all))
            .intValue();
    assertThat(many).isGreaterThan(10);
    List<String> hidden = new ArrayList<>();
    for (int i = 0; i < many; i++) {
      String line =
          (String)
              browser.driver.executeScript(
                  """
                  const one = JSON.parse(localStorage.getItem("all"))[arguments[0]];
                  localStorage.setItem("advice", JSON.stringify(one));
                  return one.line;
                  """,
                  i);
      browser.driver.navigate().refresh();
      browser.see(line);
      for (int[] size : SIZES) {
        browser.size(size[0], size[1]);
        Browser.settle(120);
        Object found = browser.driver.executeScript(FITS);
        if (!"".equals(found)) {
          hidden.add(line + " at " + size[0] + "x" + size[1] + ": " + found);
        }
      }
    }
    assertThat(hidden).isEmpty();
  }

  /// @return what is hidden, or nothing
  private static final String FITS =
      """
      const advice = document.querySelector("[aria-label=Now] h1").closest("[aria-live]");
      const box = advice.parentElement;
      const inside = (element, frame) => {
        const one = element.getBoundingClientRect(), other = frame.getBoundingClientRect();
        return one.top >= other.top - 1 && one.bottom <= other.bottom + 1
          && one.left >= other.left - 1 && one.right <= other.right + 1;
      };
      if (box.scrollHeight > box.clientHeight + 1) return "it scrolls by " + (box.scrollHeight - box.clientHeight);
      if (advice.scrollWidth > advice.clientWidth + 1) return "its words are cut";
      for (const part of box.querySelectorAll("h1, p, button")) {
        if (!inside(part, box)) return part.textContent + " leaves its box";
        for (let frame = box.parentElement; frame !== document.body; frame = frame.parentElement) {
          if (getComputedStyle(frame).overflow !== "visible" && !inside(part, frame)
              && frame.scrollHeight > frame.clientHeight + 1 && getComputedStyle(frame).overflowY === "hidden") {
            return part.textContent + " is cut";
          }
        }
      }
      const keys = [...box.querySelectorAll("button")].filter(key => !key.closest("[aria-live]"));
      for (const key of keys) {
        key.scrollIntoView({ block: "nearest" });
        const { left, top, width, height } = key.getBoundingClientRect();
        const over = document.elementFromPoint(left + width / 2, top + height / 2);
        if (!over || !key.contains(over)) return key.textContent + " lies under something";
      }
      const text = advice.getBoundingClientRect();
      for (const key of keys) {
        const at = key.getBoundingClientRect();
        if (innerWidth >= 600 && at.top >= text.bottom) return key.textContent + " wraps below";
      }
      return "";
      """;
}
