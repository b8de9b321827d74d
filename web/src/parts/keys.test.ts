import { describe, expect, it } from "vitest";
import { isPedal, isTyping } from "./keys";

function press(key: string, on: Element): KeyboardEvent {
  let seen: KeyboardEvent | undefined;
  const listen = (event: KeyboardEvent) => (seen = event);
  window.addEventListener("keydown", listen);
  document.body.append(on);
  on.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true }));
  window.removeEventListener("keydown", listen);
  on.remove();
  return seen!;
}

const touch = () => window.dispatchEvent(new Event("pointerdown"));
const button = () => document.createElement("button");

describe("the pedal", () => {
  it("takes the advice after a button was touched", () => {
    touch();
    expect(isPedal(press(" ", button()))).toBe(true);
  });

  it("leaves Space to a button that Tab has led to", () => {
    press("Tab", button());
    expect(isPedal(press(" ", button()))).toBe(false);
    expect(isPedal(press(" ", document.createElement("p")))).toBe(true);
    touch();
    expect(isPedal(press(" ", button()))).toBe(true);
  });

  it("may send Page Down, which belongs to nothing else", () => {
    press("Tab", button());
    expect(isPedal(press("PageDown", button()))).toBe(true);
    expect(isPedal(press("a", button()))).toBe(false);
  });
});

describe("typing", () => {
  it("keeps its letters", () => {
    expect(isTyping(press("e", document.createElement("input")))).toBe(true);
    expect(isTyping(press("e", document.createElement("textarea")))).toBe(true);
    expect(isTyping(press("e", button()))).toBe(false);
  });
});
