import { useEffect } from "react";
import { isPedal, isTyping } from "./keys";

/** One line of a screen's table of keys. */
export interface KeyBinding {
  /** As the key is called; "0-9" for any digit, "pedal" for Space and Page Down. */
  on: string;
  /** What it does, as `?` shows it. */
  says: string;
  does: (key: string) => void;
  /** Also while somebody is writing. */
  whileTyping?: boolean;
  /** Also behind a dialog: END is never out of reach. */
  overDialogs?: boolean;
}

function matches(on: string, event: KeyboardEvent): boolean {
  if (on === "pedal") return isPedal(event);
  return on === "0-9" ? /^[0-9]$/.test(event.key) : event.key === on;
}

/**
 * Lets the keys of a table do what it says; the first line that matches, and nothing else.
 *
 * @param before of a screen that takes a key of the desk for itself
 */
export function useKeys(table: KeyBinding[], before = false) {
  useEffect(() => {
    function pressed(event: KeyboardEvent) {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      // A dialog's keys are its own: of the screen behind only END answers.
      const dialog = event.target instanceof Element && event.target.closest(".MuiDialog-root");
      const typing = isTyping(event);
      const line = table.find(
        ({ on, whileTyping, overDialogs }) =>
          matches(on, event) && (!typing || whileTyping) && (!dialog || overDialogs),
      );
      if (!line) return;
      event.preventDefault();
      if (before) event.stopImmediatePropagation();
      line.does(event.key);
    }
    window.addEventListener("keydown", pressed, before);
    return () => window.removeEventListener("keydown", pressed, before);
  }, [table, before]);
}
