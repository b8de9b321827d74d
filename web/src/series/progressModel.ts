import type { ProgressState } from "../api/types";

type Peel = ProgressState["peels"][number];

/** What lies on one day, as the arrow keys read it and the table shows it. */
export interface DayRead {
  on: string;
  peels: Peel[];
  scores: { label: string; value: number; decimals: number }[];
  words: string[];
}

/** Rows of the ladder, the strongest on top; what is booked without a formula stands on the top row. */
export function rungs(peels: Peel[]): string[] {
  const rung = new Map<string, number>();
  peels.forEach(({ formula, rung: at }) => {
    if (formula) rung.set(formula, Math.max(rung.get(formula) ?? 0, at));
  });
  return [...rung.keys()].sort(
    (one, two) => (rung.get(two) ?? 0) - (rung.get(one) ?? 0) || one.localeCompare(two),
  );
}

/** Every day that has something, in order. */
export function days(state: ProgressState): DayRead[] {
  const found = new Map<string, DayRead>();
  const at = (on: string) => {
    const known = found.get(on) ?? { on, peels: [], scores: [], words: [] };
    found.set(on, known);
    return known;
  };
  state.peels.forEach((peel) => at(peel.on).peels.push(peel));
  state.lines.forEach(({ label, decimals, points }) =>
    points.forEach(({ on, value }) => at(on).scores.push({ label, value, decimals })),
  );
  state.events.forEach(({ on, words }) => at(on).words.push(words));
  return [...found.values()].sort((one, two) => one.on.localeCompare(two.on));
}

/** Closed days that follow one another, as one stretch. */
export function stretches(closed: { on: string }[]): { from: string; to: string }[] {
  const all: { from: string; to: string }[] = [];
  for (const { on } of [...closed].sort((one, two) => one.on.localeCompare(two.on))) {
    const last = all.at(-1);
    const next = last && Date.parse(last.to) + 86_400_000 >= Date.parse(on);
    if (last && next) last.to = on;
    else all.push({ from: on, to: on });
  }
  return all;
}
