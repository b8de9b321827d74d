import type { Fact, Treatment, Zone } from "../../api/types";
import { type KeyBinding, useKeys } from "../../parts/useKeys";
import { panelKeys, type PanelName } from "./panels";

/** The eleven answers by key. */
export function answerKeys(answered: (value: number) => void): KeyBinding[] {
  return [
    { on: "0-9", says: "the answer", does: (key) => answered(Number(key)) },
    { on: "t", says: "the answer ten", does: () => answered(10) },
  ];
}

/**
 * The keys of a couch screen. While a panel is open its own keys answer, and of the screen's only
 * those that say that they stay; no other falls through to what lies behind it.
 */
export function useCouchKeys({
  panel,
  treatment,
  chosen,
  keys,
  stay,
  say,
  close,
}: {
  panel: PanelName | null;
  treatment: Treatment;
  chosen: Zone[];
  keys: KeyBinding[];
  /** Keys of the screen that answer over an open panel, as they are called. */
  stay: string[];
  say: (fact: Fact) => void;
  close: () => void;
}) {
  const own = panel
    ? panelKeys(panel, treatment, chosen, (fact) => {
        say(fact);
        close();
      })
    : [];
  useKeys([
    { on: "Escape", says: "closes what is open", does: close, whileTyping: true },
    ...own,
    ...(panel
      ? keys.filter(({ on }) => stay.includes(on) && own.every((key) => key.on !== on))
      : keys),
  ]);
}
