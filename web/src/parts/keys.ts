import { ledByTab } from "./ledByTab";

/** Inputs that take no letters: a key pressed on them is one of the screen. */
const NO_TEXT = ["checkbox", "radio", "button", "submit", "reset", "range", "color", "file"];

/** Somebody is writing: letters are words, not keys of the screen. */
export function isTyping(event: KeyboardEvent): boolean {
  const { target } = event;
  if (target instanceof HTMLInputElement) return !NO_TEXT.includes(target.type);
  return target instanceof HTMLTextAreaElement;
}

/**
 * Space or Page Down, which a foot pedal sends, meant for the screen: not when Tab has led to a
 * button, but also after a button was touched.
 */
export function isPedal(event: KeyboardEvent): boolean {
  if (event.key === "PageDown") return true;
  if (event.key !== " ") return false;
  const onButton =
    event.target instanceof Element && event.target.closest("button, a, [role=button]");
  return !onButton || !ledByTab();
}
