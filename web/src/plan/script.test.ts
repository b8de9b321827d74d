import { describe, expect, it } from "vitest";
import type { Run, ScriptWords, Step, WhatOption } from "../api/types";
import { begin, changed, found, freshId, stepTyped, typed } from "./script";

const step = (id: string, more: Partial<Step> = {}): Step => ({
  id,
  kind: "CLEANSE",
  product: "CLEANSER",
  layers: 1,
  layersAtMost: 1,
  zones: [],
  strokes: "",
  applicator: "",
  said: "",
  doneSign: "",
  who: "THERAPIST",
  ...more,
});

const runs = (...ids: string[]): Run[] => [{ region: "FACE", steps: ids.map((id) => step(id)) }];
const ids = (writing: { runs: Run[] }) => writing.runs[0]!.steps.map((one) => one.id).join("");

describe("a script", () => {
  it("takes every change back, one after the other", () => {
    let writing = begin(runs("a", "b", "c"));
    writing = changed(writing, { type: "move", run: 0, at: 2, by: -1 });
    expect(ids(writing)).toBe("acb");
    writing = changed(writing, { type: "insert", run: 0, after: 0, step: step("n") });
    expect(ids(writing)).toBe("ancb");
    writing = changed(writing, { type: "remove", run: 0, at: 3 });
    expect(ids(writing)).toBe("anc");
    for (const before of ["ancb", "acb", "abc", "abc"]) {
      writing = changed(writing, { type: "undo" });
      expect(ids(writing)).toBe(before);
    }
  });

  it("takes typing in one field back as one", () => {
    let writing = begin(runs("a"));
    for (const said of ["c", "co", "cold"]) {
      writing = changed(writing, { type: "edit", run: 0, at: 0, fields: { said } });
    }
    expect(writing.runs[0]!.steps[0]!.said).toBe("cold");
    expect(changed(writing, { type: "undo" }).runs[0]!.steps[0]!.said).toBe("");
  });

  it("does not move a line out of the sheet", () => {
    const writing = begin(runs("a", "b"));
    expect(changed(writing, { type: "move", run: 0, at: 0, by: -1 })).toBe(writing);
    expect(changed(writing, { type: "move", run: 0, at: 1, by: 1 })).toBe(writing);
  });

  it("takes a swap as it was offered: in place of a line, before it, or out", () => {
    const edits = [
      { step: "b", instead: [step("x"), step("b")] },
      { step: "c", instead: [] },
    ];
    expect(ids(changed(begin(runs("a", "b", "c")), { type: "swap", run: 0, edits }))).toBe("axb");
  });

  it("gives a copied line an id of its own", () => {
    const writing = changed(begin(runs("s1", "s2")), { type: "duplicate", run: 0, at: 0 });
    const all = writing.runs[0]!.steps;
    expect(new Set(all.map((one) => one.id)).size).toBe(3);
    expect(freshId(all)).not.toMatch(new RegExp(`^(${all.map((one) => one.id).join("|")})$`));
  });
});

describe("a line as it is typed", () => {
  it.each([
    ["cleanser", { name: "cleanser" }],
    ["cleanser, 2, 1:00", { name: "cleanser", amount: 2, seconds: 60 }],
    [
      "lactic 30, 2.7 mL, 2:00, x2, a",
      { name: "lactic 30", amount: 2.7, seconds: 120, layers: 2, gate: "A" },
    ],
    ["mask, gate c, 12:00", { name: "mask", gate: "C", seconds: 720 }],
    ["serum, 6 drops", { name: "serum", amount: 6 }],
    ["serum, 6, whenever", { name: "serum", amount: 6, unread: "whenever" }],
    ["eye pads, damp, 0:30", { name: "eye pads damp", seconds: 30 }],
    ["bicarbonate 10 %, 24", { name: "bicarbonate 10 %", amount: 24 }],
    ["lactic 30, 2,7", { name: "lactic 30", amount: 2.7 }],
  ])("%s", (text, line) => {
    expect(typed(text)).toEqual(line);
  });

  const what = (label: string, code: string, more: Partial<WhatOption> = {}): WhatOption => ({
    label,
    code,
    kind: "PRODUCT",
    kindLabel: "product",
    acidStep: false,
    unit: "pump",
    usual: { FACE: 2 },
    regions: ["FACE"],
    layersMost: 1,
    product: code,
    ...more,
  });
  const words = {
    whats: [
      what("gel cleanser", "CLEANSER"),
      what("calming toner", "TONER"),
      what("back wash", "CLEAN-B", { regions: ["BACK"] }),
      what("clean rinse", "", { product: undefined, act: "COOL_RINSE" }),
    ],
  } as ScriptWords;

  it("finds by code and words, what is made for the region first", () => {
    expect(found("clean", words, "FACE").map((one) => one.label)).toEqual([
      "gel cleanser",
      "clean rinse",
      "back wash",
    ]);
    expect(found("toner calming", words, "FACE").map((one) => one.code)).toEqual(["TONER"]);
    expect(found("", words, "FACE")).toEqual([]);
    const pads = { whats: [what("eye pads, damp", "")] } as ScriptWords;
    expect(found(typed("eye pads, damp").name, pads, "FACE")).toHaveLength(1);
  });

  it("takes what is usual where nothing is said", () => {
    const made = stepTyped(typed("cleanser"), words.whats[0]!, "s9", "FACE");
    expect(made).toMatchObject({ id: "s9", product: "CLEANSER", amount: 2, layers: 1 });
    expect(stepTyped(typed("cleanser, 4"), words.whats[0]!, "s9", "FACE").amount).toBe(4);
  });
});
