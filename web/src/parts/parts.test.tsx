import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { PlanStation, Verdict } from "../api/types";
import { FaceMap, middleOf } from "./FaceMap";
import { CENTRES, FACE_PATHS } from "./faceZones";
import { Grade } from "./Grade";
import { Ribbon } from "./Ribbon";
import { type RibbonModel, ribbonOfPlan } from "./ribbonModel";
import { Segments } from "./Segments";
import { VerdictMark } from "./VerdictMark";
import {
  atPractice,
  clock,
  day,
  decimal,
  firstName,
  hour,
  instantOf,
  left,
  plural,
  practiceIsIn,
  second,
  wholeDay,
  zoneName,
} from "./words";

afterEach(cleanup);

describe("words", () => {
  it.each([
    [0, "0:00"],
    [999, "0:00"],
    [134_000, "2:14"],
    [600_000, "10:00"],
    [-5000, "0:00"],
  ])("clock of %d ms", (milliseconds, said) => expect(clock(milliseconds)).toBe(said));

  it.each([
    [46_000, "0:46"],
    [45_001, "0:46"],
    [1, "0:01"],
    [0, "0:00"],
    [-3000, "0:00"],
  ])("left of %d ms counts the running second", (milliseconds, said) =>
    expect(left(milliseconds)).toBe(said),
  );

  it("says dates as the server does", () => {
    expect(day("2026-11-28")).toBe("Sat 28 Nov");
    expect(wholeDay("2026-11-25")).toBe("Wednesday 25 November");
  });

  it("says hours and days as they are at the practice, wherever they are read", () => {
    practiceIsIn("Europe/London");
    // Tokyo is a day ahead, Honolulu a day behind; neither moves what stands at the practice.
    expect(hour("2026-11-25T14:06:31Z")).toBe("14:06");
    expect(second("2026-11-25T14:06:31Z")).toBe("14:06:31");
    practiceIsIn("Asia/Tokyo");
    expect(day("2026-11-25T23:30:00Z")).toBe("Thu 26 Nov");
    expect(hour("2026-11-25T23:30:00Z")).toBe("08:30");
    practiceIsIn("Pacific/Honolulu");
    expect(day("2026-11-25")).toBe("Wed 25 Nov");
    expect(day("2026-11-25T00:30:00")).toBe("Wed 25 Nov");
    expect(atPractice("2026-11-26T02:00:00Z")).toBe("2026-11-25T16:00");
    expect(instantOf("2026-11-25T16:00")).toBe("2026-11-26T02:00:00.000Z");
  });

  it("says numbers, names and counts", () => {
    expect(decimal(17.319, 1)).toBe("17.3");
    expect(firstName("Maren Holt")).toBe("Maren");
    expect(plural(1, "visit")).toBe("1 visit");
    expect(plural(3, "visit")).toBe("3 visits");
    expect(zoneName("CHEEK_LEFT")).toBe("left cheek");
  });
});

describe("the face", () => {
  it("has a path and a centre for every zone", () => {
    expect(Object.keys(CENTRES)).toEqual(Object.keys(FACE_PATHS));
    expect(Object.keys(FACE_PATHS)).toHaveLength(15);
  });

  it("keeps left and right the client's, who faces us", () => {
    expect(CENTRES.CHEEK_RIGHT![0]).toBeLessThan(180);
    expect(CENTRES.CHEEK_LEFT![0]).toBeGreaterThan(180);
  });

  it("offers only the zones that are part of the matter, by touch and by key", () => {
    const pick = vi.fn();
    render(
      <FaceMap zones={{ CHIN: { says: "worst 2" }, NOSE: {} }} onPick={pick} label="Look 1" />,
    );
    expect(screen.getAllByRole("button")).toHaveLength(2);
    fireEvent.click(screen.getByRole("button", { name: "chin, worst 2" }));
    fireEvent.keyDown(screen.getByRole("button", { name: "nose" }), { key: "Enter" });
    // Without a pointer the place is the middle of the zone, in thousandths of the figure.
    expect(pick.mock.calls).toEqual([
      ["CHIN", middleOf("FACE", "CHIN")],
      ["NOSE", { across: 500, down: 435 }],
    ]);
  });

  it("draws redness by its number of contours and whitening by its texture", () => {
    const { container } = render(
      <FaceMap label="face" zones={{ CHIN: { redness: 2, whitening: "F1", hotSpot: 5 } }} />,
    );
    expect(container.querySelectorAll(".redness")).toHaveLength(2);
    expect(container.querySelector(".white")?.getAttribute("fill")).toBe("url(#f1)");
    expect(screen.getByText("5")).toBeDefined();
  });
});

describe("a grade", () => {
  it("fills up to the box and takes the highest off", () => {
    const change = vi.fn();
    render(<Grade label="pores" value={2} onChange={change} />);
    expect(screen.getByRole("button", { name: "pores 2" }).getAttribute("aria-pressed")).toBe(
      "true",
    );
    fireEvent.click(screen.getByRole("button", { name: "pores 3" }));
    fireEvent.click(screen.getByRole("button", { name: "pores 2" }));
    expect(change.mock.calls).toEqual([[3], [1]]);
  });
});

describe("segments", () => {
  it("report another answer and never none", () => {
    const change = vi.fn();
    const options = [
      { id: "no", label: "no" },
      { id: "yes", label: "yes" },
    ];
    render(<Segments label="Pregnant" value="no" options={options} onChange={change} />);
    fireEvent.click(screen.getByRole("button", { name: "no" }));
    expect(change).not.toHaveBeenCalled();
    fireEvent.click(screen.getByRole("button", { name: "yes" }));
    expect(change).toHaveBeenCalledWith("yes");
  });
});

describe("verdict marks", () => {
  it("differ in shape, not only in colour", () => {
    const shapes = (["PROCEED", "ADAPT", "WAIT", "REFER", "STOP"] as Verdict[]).map((verdict) => {
      const { container } = render(<VerdictMark verdict={verdict} />);
      return container.querySelector("svg")?.innerHTML.replace(/var\([^)]*\)/g, "");
    });
    expect(new Set(shapes).size).toBe(5);
  });
});

const MODEL: RibbonModel = {
  from: 0,
  to: 240,
  limit: 180,
  now: 134,
  steps: [],
  layers: [{ start: 0, end: 134, number: 1, planned: false }],
  layersMost: 1,
  feel: [
    { at: 30, value: 2 },
    { at: 90, value: 4 },
  ],
  hold: 5,
  stop: 8,
  bands: [],
  looks: [{ at: 60, label: "pink" }],
  marks: [],
  mgPerCm2PerLayer: 0.5,
};

describe("the ribbon", () => {
  it("says the same in a table, in the order of time", () => {
    render(<Ribbon model={MODEL} unit="clock" label="This peel" />);
    const rows = screen.getAllByRole("row").map((row) => row.textContent);
    expect(rows).toEqual([
      "0:00layer 1, 0.50 mg/cm² in all",
      "0:30feels 2",
      "1:00pink",
      "1:30feels 4",
    ]);
  });

  it("is walked by the arrow keys", () => {
    render(<Ribbon model={MODEL} unit="clock" label="This peel" />);
    const band = screen.getByRole("img", { name: "This peel" });
    fireEvent.keyDown(band, { key: "ArrowRight" });
    fireEvent.keyDown(band, { key: "ArrowRight" });
    expect(screen.getByText("0:30 · feels 2")).toBeDefined();
    fireEvent.keyDown(band, { key: "ArrowLeft" });
    expect(screen.getByText(/0:00 · layer 1/)).toBeDefined();
  });

  it("shows the limit", () => {
    render(<Ribbon model={MODEL} unit="clock" label="This peel" />);
    expect(screen.getByText("limit 3:00")).toBeDefined();
  });

  it("draws a plan in outline from the chair", () => {
    const station = {
      plan: {
        layersPlanned: 2,
        layersAtMost: 3,
        mgPerCm2PerLayer: 0.5,
        layerMl: 2.8,
        bandLow: 3,
        bandHigh: 6,
        doneWhen: "",
        bandWords: "3 to 6",
        hold: 5,
        stop: 8,
      },
      bookedMinutes: 45,
      judged: {
        outline: {
          blocks: [
            { label: "cleanse", kind: "PREP", startSeconds: 0, seconds: 600 },
            { label: "JES-RF", kind: "ACID", startSeconds: 600, seconds: 480 },
            { label: "after", kind: "CARE", startSeconds: 1080, seconds: 300 },
          ],
          gates: [{ gate: "A", atSeconds: 600 }],
        },
      },
    } as unknown as PlanStation;
    const model = ribbonOfPlan(station);
    expect(model.to).toBe(2700);
    expect(model.layers.map(({ start, end }) => [start, end])).toEqual([
      [600, 1080],
      [840, 1080],
    ]);
    expect(model.layerNote).toBe("2 layers, at most 3 · 2.8 mL · 1.00 mg/cm²");
    expect(model.gates).toEqual([{ at: 600, label: "gate A" }]);
  });
});
