import type { Objection, Run, ScriptWords, Step, WhatOption } from "../api/types";
import { number } from "../parts/NumberField";
import { secondsOf } from "../parts/words";

/** The steps as they are being written, and what they were before each change. */
export interface Writing {
  runs: Run[];
  before: Run[][];
  /** What was changed last, so that typing on in one field is one step back. */
  last: string | null;
}

export type Change =
  | { type: "insert"; run: number; after: number; step: Step }
  | { type: "remove"; run: number; at: number }
  | { type: "move"; run: number; at: number; by: -1 | 1 }
  | { type: "duplicate"; run: number; at: number }
  | { type: "edit"; run: number; at: number; fields: Partial<Step> }
  | { type: "swap"; run: number; edits: NonNullable<Objection["swap"]>["edits"] }
  | { type: "runs"; runs: Run[] }
  | { type: "undo" }
  | { type: "reset"; runs: Run[] };

/** What a line is about, as the catalogue has it; nothing where that went. */
export function whatOf(step: Step, words: ScriptWords): WhatOption | undefined {
  return words.whats.find((one) =>
    step.peel
      ? one.peel === step.peel
      : step.product
        ? one.product === step.product
        : one.act === step.act,
  );
}

export function begin(runs: Run[]): Writing {
  return { runs, before: [], last: null };
}

/** One change after the other; the last of them can be taken back, as many as there were. */
export function changed(was: Writing, change: Change): Writing {
  switch (change.type) {
    case "reset":
      return begin(change.runs);
    case "undo": {
      const runs = was.before.at(-1);
      return runs ? { runs, before: was.before.slice(0, -1), last: null } : was;
    }
    case "runs":
      return next(was, change.runs, null);
    case "edit": {
      const key = `${change.run} ${change.at} ${Object.keys(change.fields).join()}`;
      const runs = steps(was, change.run, (all) =>
        all.map((step, i) => (i === change.at ? { ...step, ...change.fields } : step)),
      );
      return key === was.last ? { ...was, runs } : next(was, runs, key);
    }
    case "insert":
      return next(
        was,
        steps(was, change.run, (all) => all.toSpliced(change.after + 1, 0, change.step)),
        null,
      );
    case "remove":
      return next(
        was,
        steps(was, change.run, (all) => all.toSpliced(change.at, 1)),
        null,
      );
    case "duplicate":
      return next(
        was,
        steps(was, change.run, (all) => {
          const copy = { ...all[change.at]!, id: freshId(all) };
          return all.toSpliced(change.at + 1, 0, copy);
        }),
        null,
      );
    case "move": {
      const to = change.at + change.by;
      const all = was.runs[change.run]?.steps ?? [];
      if (to < 0 || to >= all.length) return was;
      return next(
        was,
        steps(was, change.run, (lines) =>
          lines.toSpliced(change.at, 1).toSpliced(to, 0, lines[change.at]!),
        ),
        null,
      );
    }
    case "swap":
      return next(
        was,
        steps(was, change.run, (all) =>
          all.flatMap(
            (step) => change.edits.find((edit) => edit.step === step.id)?.instead ?? [step],
          ),
        ),
        null,
      );
  }
}

function next(was: Writing, runs: Run[], last: string | null): Writing {
  return { runs, before: [...was.before, was.runs].slice(-200), last };
}

function steps(was: Writing, run: number, change: (all: Step[]) => Step[]): Run[] {
  return was.runs.map((one, i) => (i === run ? { ...one, steps: change(one.steps) } : one));
}

/** An id that no step has; it stays with the line through every change. */
export function freshId(all: Step[]): string {
  const taken = new Set(all.map((step) => step.id));
  let n = all.length + 1;
  while (taken.has(`s${n}`)) n++;
  return `s${n}`;
}

/** A line about something, with what is usual for it. */
export function stepOf(what: WhatOption, id: string, region: Run["region"]): Step {
  const usual = what.usual[region];
  return {
    id,
    kind: what.kind,
    peel: what.peel,
    product: what.product,
    act: what.act,
    amount: what.product ? (usual ?? 1) : undefined,
    layers: 1,
    layersAtMost: 1,
    zones: [],
    plannedSeconds: what.peel ? what.plannedSeconds : undefined,
    strokes: "",
    applicator: "",
    said: "",
    doneSign: "",
    who: "THERAPIST",
  };
}

export interface Typed {
  name: string;
  amount?: number;
  seconds?: number;
  layers?: number;
  gate?: Step["gate"];
  /** A part that says nothing known. */
  unread?: string;
}

/** A line as it is typed: "lactic 30, 2.7, 2:00, x2, a": what, then in any order how much, how
    long, how many layers and which gate stands before it. A name may have commas of its own. */
export function typed(text: string): Typed {
  const [name = "", ...parts] = text.split(/[,;](?=\s|$)/).map((part) => part.trim());
  const line: Typed = { name };
  for (const part of parts) {
    if (part === "") continue;
    const seconds = secondsOf(part);
    const layers = /^(?:x(\d)|(\d)x)$/i.exec(part);
    const gate = /^(?:gate )?([abc])$/i.exec(part);
    const amount = number(part.replace(/[^\d.,-].*$/, ""));
    if (seconds !== undefined) line.seconds = seconds;
    else if (layers) line.layers = Number(layers[1] ?? layers[2]);
    else if (gate) line.gate = gate[1]!.toUpperCase() as Step["gate"];
    else if (amount !== null && /^\d/.test(part)) line.amount = amount;
    else if (Object.keys(line).length === 1) line.name = `${line.name} ${part}`;
    else line.unread = part;
  }
  return line;
}

/** What a line may be about, the best first: its code, then its words from the start, then anywhere. */
export function found(name: string, words: ScriptWords, region: Run["region"]): WhatOption[] {
  const asked = name.toLowerCase().trim();
  if (asked === "") return [];
  const parts = asked.split(/\s+/);
  const rank = (what: WhatOption) => {
    const label = what.label.toLowerCase().replaceAll(",", "");
    const code = what.code.toLowerCase();
    if (code === asked || label === asked) return 0;
    if (code.startsWith(asked) && code !== "") return 1;
    if (label.startsWith(asked)) return 2;
    return parts.every((part) => `${code} ${label} ${what.kindLabel}`.includes(part)) ? 3 : 9;
  };
  return words.whats
    .map((what, place) => ({ what, place, rank: rank(what) }))
    .filter((one) => one.rank < 9)
    .sort(
      (a, b) =>
        Number(b.what.regions.includes(region)) - Number(a.what.regions.includes(region)) ||
        a.rank - b.rank ||
        a.place - b.place,
    )
    .slice(0, 8)
    .map((one) => one.what);
}

/** A line as it was typed. */
export function stepTyped(line: Typed, what: WhatOption, id: string, region: Run["region"]): Step {
  const step = stepOf(what, id, region);
  return {
    ...step,
    amount: line.amount ?? step.amount,
    plannedSeconds: line.seconds ?? step.plannedSeconds,
    layers: line.layers ?? 1,
    layersAtMost: line.layers ?? 1,
    gate: line.gate,
  };
}
