import { ledByTab } from "./ledByTab";

/** Somebody is writing: letters are words, not keys of the screen. */
export function isTyping(event: KeyboardEvent): boolean {
  return event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
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
