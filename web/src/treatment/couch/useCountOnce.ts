import { useEffect, useState } from "react";
import { isTyping } from "../../parts/keys";

/** Within so many milliseconds a second tap on the same key is the glove's. */
const TWICE = 400;
/** And within so many pixels it is the same place, whatever has come to lie under it. */
const NEAR = 40;
/** How long it is said, milliseconds. */
const SAID = 3000;

/**
 * On the couch a double tap counts once: the second is taken away before anything hears of it, also
 * where the first has put another key under the finger. What is meant to be tapped quickly, a count,
 * says so by `data-repeat`.
 *
 * @returns whether one was just taken away
 */
export function useCountOnce(): boolean {
  const [twice, setTwice] = useState(false);
  useEffect(() => {
    let tapped = { x: 0, y: 0, at: -Infinity };
    let pressed = { key: "", at: -Infinity };
    let timer = 0;
    const take = (event: Event) => {
      event.preventDefault();
      event.stopImmediatePropagation();
      setTwice(true);
      window.clearTimeout(timer);
      timer = window.setTimeout(() => setTwice(false), SAID);
    };
    const click = (event: MouseEvent) => {
      // By a key, which is counted below.
      if (event.detail === 0) return;
      if (event.target instanceof Element && event.target.closest("[data-repeat]")) return;
      const near =
        Math.abs(event.clientX - tapped.x) < NEAR && Math.abs(event.clientY - tapped.y) < NEAR;
      if (near && event.timeStamp - tapped.at < TWICE) return take(event);
      tapped = { x: event.clientX, y: event.clientY, at: event.timeStamp };
    };
    const key = (event: KeyboardEvent) => {
      if (isTyping(event) || event.key === "Tab" || event.key === "Shift") return;
      const on = event.target instanceof Element ? event.target : null;
      if (on?.closest("[data-repeat]")) return;
      // Leaned on: it was said once.
      if (event.repeat) {
        event.preventDefault();
        event.stopImmediatePropagation();
        return;
      }
      if (event.key === pressed.key && event.timeStamp - pressed.at < TWICE) return take(event);
      pressed = { key: event.key, at: event.timeStamp };
    };
    window.addEventListener("click", click, true);
    window.addEventListener("keydown", key, true);
    return () => {
      window.clearTimeout(timer);
      window.removeEventListener("click", click, true);
      window.removeEventListener("keydown", key, true);
    };
  }, []);
  return twice;
}
