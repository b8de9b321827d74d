import { cleanup, fireEvent, render, renderHook, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Fact, Treatment, Zone } from "../api/types";
import { ribbonOfTreatment } from "../parts/ribbonModel";
import { adviceNow, answersNow, askAfter, cueAt, tint } from "./couch/advice";
import { standingAlarms } from "./alarm/alarms";
import { Queue } from "./couch/queue";
import { SensationKeys } from "./couch/SensationKeys";
import { contactOf } from "./couch/Clocks";
import { Correct } from "./couch/Correct";
import { options, type PanelName, panelKeys } from "./couch/panels";
import { answerKeys, useCouchKeys } from "./couch/useCouchKeys";
import { zoneLooks } from "./couch/zoneLooks";
import { LAYER, ZERO, ZONE, advice, ahead, at, cue, treatment, unsent } from "./madeUp";

afterEach(() => {
  cleanup();
  localStorage.clear();
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

describe("advice between answers", () => {
  it("moves on with the cues that the server gave, and with nothing else", () => {
    const now = treatment();
    expect(adviceNow(now, [], ZERO + 89_000, true)?.row).toBe("DONE");
    expect(adviceNow(now, [], ZERO + 105_000, true)?.kind).toBe("LOOK_NOW");
    expect(adviceNow(now, [], ZERO + 179_999, true)?.kind).toBe("LOOK_NOW");
    expect(adviceNow(now, [], ZERO + 180_000, true)?.kind).toBe("END_NOW");
    expect(adviceNow(now, [], ZERO + 999_000, true)?.kind).toBe("END_NOW");
  });

  it("judges one answer without the server by what was judged ahead", () => {
    const told = unsent({ type: "SensationAnswered", value: 6 });
    expect(adviceNow(treatment(), told, ZERO + 50_000, true)?.kind).toBe("HOLD");
    const strong = unsent({ type: "SensationAnswered", value: 9 });
    expect(adviceNow(treatment(), strong, ZERO + 50_000, true)?.kind).toBe("END");
  });

  it("has none beyond that answer", () => {
    const two = unsent(
      { type: "SensationAnswered", value: 3 },
      { type: "SensationAnswered", value: 4 },
    );
    expect(adviceNow(treatment(), two, ZERO + 50_000, true)).toBeNull();
    const seen = unsent({ type: "WipeTested", zones: ["CHIN"], cameOff: true });
    expect(adviceNow(treatment(), seen, ZERO + 50_000, true)).toBeNull();
  });

  it("keeps the hard limit whatever waits to be sent", () => {
    const two = unsent(
      { type: "SensationAnswered", value: 3 },
      { type: "SensationAnswered", value: 4 },
    );
    expect(adviceNow(treatment(), two, ZERO + 181_000, true)?.kind).toBe("END_NOW");
  });

  it("does not lose its advice over a note or the fan", () => {
    const note = unsent({ type: "NoteWritten", text: "calm" }, { type: "FanTurned", on: true });
    expect(adviceNow(treatment(), note, ZERO + 50_000, true)?.row).toBe("DONE");
  });

  it("tints the keys as they lead, and changes them where a window ends", () => {
    expect(ahead.map(tint).join(" ")).toBe("go go go go go hold hold hold end end end");
    const tighter = ahead.map((_, value) =>
      value >= 4 ? advice("HOLD", "HOLD_LINE") : advice("FINISH", "DONE"),
    );
    const now = treatment({ cues: [cue(120, "ADVICE", advice("FINISH", "DONE"), tighter)] });
    expect(tint(answersNow(now, ZERO + 119_000)[4])).toBe("go");
    expect(tint(answersNow(now, ZERO + 120_000)[4])).toBe("hold");
    expect(cueAt(now, ZERO + 119_000)).toBeUndefined();
  });
});

describe("in flight is not away", () => {
  const two = unsent(
    { type: "SensationAnswered", value: 6 },
    { type: "RednessSeen", grades: { NOSE: 1 } },
  );

  it("keeps the standing advice while a healthy server takes its time", () => {
    expect(adviceNow(treatment(), two, ZERO + 41_000, false)?.row).toBe("DONE");
    const one = unsent({ type: "SensationAnswered", value: 6 });
    expect(adviceNow(treatment(), one, ZERO + 41_000, false)?.row).toBe("HOLD_LINE");
    expect(adviceNow(treatment(), two, ZERO + 41_000, true)).toBeNull();
  });

  it("says look now when an answer that was not sent has gone stale", () => {
    const one = unsent({ type: "SensationAnswered", value: 6 });
    // Said at 40 s; asked again after 30 s, and 15 s of grace.
    expect(adviceNow(treatment(), one, ZERO + 84_000, true)?.row).toBe("HOLD_LINE");
    expect(adviceNow(treatment(), one, ZERO + 85_000, true)?.row).toBe("NOT_LOOKED");
    expect(adviceNow(treatment(), two, ZERO + 85_000, true)?.kind).toBe("LOOK_NOW");
    expect(askAfter(treatment(), one[0]!)).toBe(ZERO + 70_000);
    const ended = [...one, ...unsent({ type: "EndingStarted" })];
    expect(adviceNow(treatment(), ended, ZERO + 300_000, true)?.kind).not.toBe("LOOK_NOW");
  });
});

describe("an alarm without a server", () => {
  it("stands with its fixed steps from what was said here", () => {
    const alarms = standingAlarms(
      treatment(),
      unsent({ type: "SignSeen", sign: "FAINT" }, { type: "SignSeen", sign: "EYE" }),
    );
    expect(alarms.map(({ weight }) => weight)).toEqual(["EMERGENCY", "EYE"]);
    expect(alarms[0]?.steps[0]).toBe("CALL");
    expect(alarms[1]?.line).toBe("Rinse the eye now");
    expect(Date.parse(alarms[1]!.until!) - Date.parse(alarms[1]!.since)).toBe(900_000);
  });

  it("ends when words on how it ended wait to be sent", () => {
    const over = unsent(
      { type: "SignSeen", sign: "BLISTER" },
      { type: "SignResolved", sign: "BLISTER", note: "cooled" },
    );
    expect(standingAlarms(treatment(), over)).toEqual([]);
  });
});

/** Presses keys on a screen whose panel is open, and tells what was said. */
function pressed(panel: PanelName, keys: string): Fact[] {
  const said: Fact[] = [];
  const say = (fact: Fact) => said.push(fact);
  const { unmount } = renderHook(() =>
    useCouchKeys({
      panel,
      treatment: treatment({ phase: "SETTLING" }),
      chosen: [],
      keys: answerKeys((value) => say({ type: "SensationAnswered", value })),
      stay: ["z", "a"],
      say,
      close: () => undefined,
    }),
  );
  for (const key of keys) fireEvent.keyDown(document.body, { key });
  unmount();
  return said;
}

describe("keys over an open panel", () => {
  it("never fall through: the key marked 1 F1 is F1 and no answer", () => {
    expect(pressed("whitening", "1")).toMatchObject([{ type: "WhiteningSeen", grade: "F1" }]);
    for (const panel of ["quality", "note", "alarm", "zone", "pass", "legend"] as const) {
      expect(
        pressed(panel, "0123456789t").filter(({ type }) => type === "SensationAnswered"),
      ).toEqual([]);
    }
  });

  it("are the same as its buttons, one for each", () => {
    for (const panel of ["redness", "whitening", "quality", "response", "alarm"] as const) {
      const on = options(panel, treatment(), []).map((option) => option.on);
      expect(new Set(on).size, panel).toBe(on.length);
      expect(on.length, panel).toBeGreaterThan(2);
    }
  });
});

describe("the contact clock", () => {
  it("counts from the first touch to the limit", () => {
    expect(contactOf(treatment(), [])).toEqual({ start: ZERO, limit: ZERO + 180_000 });
  });

  it("starts here when the server has not yet heard of the first layer", () => {
    const armed = treatment({ phase: "ARMED", layers: [], clocks: {} });
    const started = unsent({ type: "LayerStarted", zones: ["NOSE"], nextRung: false });
    expect(contactOf(armed, started)).toEqual({ start: ZERO + 40_000, limit: ZERO + 220_000 });
    expect(contactOf(armed, []).start).toBeUndefined();
  });

  it("has no limit where the formula has no minutes", () => {
    expect(contactOf(treatment({ contactLimitSeconds: undefined }), []).limit).toBeUndefined();
  });
});

describe("the queue", () => {
  it("keeps order and survives a reload", () => {
    const queue = new Queue("t1");
    queue.add({ type: "SensationAnswered", value: 3 }, new Date(ZERO));
    queue.add({ type: "LayerCovered" }, new Date(ZERO + 1));
    const after = new Queue("t1").all();
    expect(after.map((event) => event.fact.type)).toEqual(["SensationAnswered", "LayerCovered"]);
    expect(after[0]?.at).toBe("2026-11-25T14:00:00.000Z");
  });

  it("gives each event an id of its own and forgets only what was taken", () => {
    const queue = new Queue("t1");
    const first = queue.add({ type: "LayerCovered" }, new Date());
    const second = queue.add({ type: "LayerCovered" }, new Date());
    expect(first.id).not.toBe(second.id);
    queue.remove(first.id);
    expect(queue.all().map((event) => event.id)).toEqual([second.id]);
    queue.remove(second.id);
    expect(localStorage.length).toBe(0);
  });

  it("loses nothing to a store without room, and says so", () => {
    const full = {
      getItem: () => null,
      removeItem: () => {},
      setItem: () => {
        throw new DOMException("full", "QuotaExceededError");
      },
    } as unknown as Storage;
    const queue = new Queue("t1", full);
    expect(queue.unkept).toBe(false);
    const answer = queue.add({ type: "SensationAnswered", value: 9 }, new Date());
    queue.add({ type: "EndingStarted" }, new Date());
    expect(queue.all().map(({ fact }) => fact.type)).toEqual([
      "SensationAnswered",
      "EndingStarted",
    ]);
    expect(queue.unkept).toBe(true);
    queue.remove(answer.id);
    expect(queue.all()).toHaveLength(1);
  });

  it("is one for each treatment", () => {
    new Queue("t1").add({ type: "LayerCovered" }, new Date());
    expect(new Queue("t2").all()).toEqual([]);
  });
});

/** What a key says while a panel is open; nothing where it is no key of the panel. */
function panelKey(...[name, key, of, chosen]: [PanelName, string, Treatment, Zone[]]) {
  let said: Fact | undefined;
  const table = panelKeys(name, of, chosen, (fact) => (said = fact));
  const digit = /^[0-9]$/.test(key);
  table.find(({ on }) => on === key || (digit && on === "0-9"))?.does(key);
  return said;
}

describe("what a key means while a panel is open", () => {
  it("grades redness of what was chosen, or of all that carries acid", () => {
    expect(panelKey("redness", "2", treatment(), ["CHIN"])).toEqual({
      type: "RednessSeen",
      grades: { CHIN: 2 },
    });
    const ended = treatment({
      zones: { FOREHEAD: ZONE, NOSE: { ...ZONE, ended: true }, CHIN: ZONE },
    });
    expect(panelKey("redness", "1", ended, [])).toEqual({
      type: "RednessSeen",
      grades: { FOREHEAD: 1, CHIN: 1 },
    });
    expect(panelKey("redness", "4", treatment(), [])).toBeUndefined();
  });

  it("offers crystals only where they can be", () => {
    expect(panelKey("whitening", "c", treatment(), ["NOSE"])).toEqual({
      type: "WhiteningSeen",
      zones: ["NOSE"],
      grade: "CRYSTALS",
    });
    const tca = treatment();
    tca.plan = { ...tca.plan, mayCrystallise: false };
    expect(panelKey("whitening", "c", tca, ["NOSE"])).toBeUndefined();
    expect(panelKey("whitening", "1", tca, ["NOSE"])).toMatchObject({ grade: "F1" });
  });

  it("takes the wipe test and a hot spot, ten by t", () => {
    const white = treatment({
      zones: { FOREHEAD: ZONE, NOSE: { ...ZONE, wipeOwed: true }, CHIN: ZONE },
    });
    expect(panelKey("wipe", "c", white, [])).toEqual({
      type: "WipeTested",
      zones: ["NOSE"],
      cameOff: true,
    });
    expect(panelKey("wipe", "s", white, [])).toMatchObject({ zones: ["NOSE"], cameOff: false });
    expect(panelKey("wipe", "s", treatment(), [])).toBeUndefined();
    expect(panelKey("hot", "t", treatment(), ["CHIN"])).toEqual({
      type: "HotSpotFelt",
      zone: "CHIN",
      value: 10,
    });
    expect(panelKey("hot", "7", treatment(), [])).toBeUndefined();
  });
});

describe("the face", () => {
  it("lights the next zone while a layer is spread", () => {
    const spreading = treatment({
      layers: [LAYER],
    });
    const { zones, next } = zoneLooks(spreading, []);
    expect(next).toEqual(["NOSE", "CHIN"]);
    expect(zones.NOSE?.next).toBe(true);
    expect(zones.FOREHEAD?.says).toBe("covered");
  });

  it("says what a zone shows", () => {
    const seen = treatment({
      zones: {
        FOREHEAD: { ...ZONE, reached: true, whitening: "F1", wipeOwed: true, redness: 1 },
        NOSE: ZONE,
        CHIN: { ...ZONE, hotSpot: 5, ended: true },
      },
    });
    const { zones } = zoneLooks(seen, ["CHIN"]);
    expect(zones.FOREHEAD?.says).toBe("covered, redness 1, frost F1, wipe test owed");
    expect(zones.CHIN?.says).toBe("ended, hot spot 5");
    expect(zones.CHIN?.chosen).toBe(true);
  });
});

describe("a wrong entry", () => {
  const entry = (
    id: string,
    seconds: number,
    fact: Fact,
    correctable: "WHOLE" | "TIME" | "NOTHING",
  ) => ({ id, at: at(seconds), who: "ines", takenBack: false, correctable, fact });
  const said = treatment({
    events: [
      entry("layer", 0, { type: "LayerCovered" }, "TIME"),
      entry("feels", 60, { type: "SensationAnswered", value: 9 }, "WHOLE"),
      entry("note", 80, { type: "NoteWritten", text: "cold hands" }, "NOTHING"),
    ],
  });

  it("did not happen, with a reason, or happened at another time", () => {
    const say = vi.fn();
    render(<Correct treatment={said} onSay={say} />);
    expect(screen.getAllByRole("listitem").map((item) => item.textContent)).toEqual([
      expect.stringContaining("feels 9"),
      expect.stringContaining("layer covered"),
    ]);
    fireEvent.click(screen.getByText(/feels 9/));
    expect(screen.getByText("It did not happen")).toHaveProperty("disabled", true);
    fireEvent.change(screen.getByLabelText("What was wrong"), { target: { value: "slipped" } });
    fireEvent.click(screen.getByText("It did not happen"));
    expect(say).toHaveBeenLastCalledWith({ type: "Corrected", event: "feels", reason: "slipped" });
    fireEvent.change(screen.getByLabelText("Seconds earlier"), { target: { value: "15" } });
    fireEvent.click(screen.getByText("Correct its time"));
    expect(say.mock.lastCall?.[0]).toMatchObject({ event: "feels", at: at(45) });
  });

  it("keeps what starts acid, at another time", () => {
    render(<Correct treatment={said} onSay={() => undefined} />);
    fireEvent.click(screen.getByText(/layer covered/));
    expect(screen.queryByText("It did not happen")).toBeNull();
    expect(screen.getByText("Correct its time")).toBeTruthy();
  });
});

describe("the ribbon of a treatment", () => {
  it("is not there before the acid", () => {
    expect(ribbonOfTreatment(treatment({ clocks: {} }))).toBeNull();
  });

  it("counts from the first touch, to the second", () => {
    const model = ribbonOfTreatment(
      treatment({
        events: [
          {
            id: "1",
            at: at(30),
            who: "ines",
            takenBack: false,
            correctable: "WHOLE",
            fact: { type: "SensationAnswered", value: 3 },
          },
          {
            id: "2",
            at: at(50),
            who: "ines",
            takenBack: false,
            correctable: "WHOLE",
            fact: { type: "RednessSeen", grades: { NOSE: 1 } },
          },
          {
            id: "3",
            at: at(70),
            who: "ines",
            takenBack: false,
            correctable: "WHOLE",
            fact: { type: "WipeTested", zones: ["CHIN"], cameOff: true },
          },
          {
            id: "4",
            at: at(-50),
            who: "ines",
            takenBack: false,
            correctable: "WHOLE",
            fact: { type: "RednessSeen", grades: { NOSE: 0 } },
          },
        ],
      }),
      ZERO + 75_000,
    );
    expect(model?.feel).toEqual([{ at: 30, value: 3 }]);
    expect(model?.looks).toEqual([
      { at: 50, label: "pink" },
      { at: 70, label: "wiped off: crystals" },
    ]);
    expect(model?.now).toBe(75);
    expect(model?.limit).toBe(180);
    expect(model?.layers).toEqual([{ start: 0, end: 75, number: 1, planned: false }]);
  });

  it("stops its layers at END and shows the rest", () => {
    const model = ribbonOfTreatment(
      treatment({
        phase: "SIGNED",
        clocks: { firstTouch: at(0), endedAt: at(180) },
        restAt: at(420),
        events: [
          {
            id: "1",
            at: at(180),
            who: "ines",
            takenBack: false,
            correctable: "WHOLE",
            fact: { type: "EndingStarted", row: "LIMIT" },
          },
        ],
      }),
      ZERO + 900_000,
    );
    expect(model?.now).toBeUndefined();
    expect(model?.layers[0]?.end).toBe(180);
    expect(model?.steps).toEqual([{ start: 180, end: 420, label: "end, rest", kind: "ending" }]);
    expect(model?.marks).toEqual([{ at: 180, label: "END", end: true }]);
  });
});

describe("the sensation keys", () => {
  it("say where each answer leads and report the number", () => {
    const told = vi.fn();
    render(<SensationKeys answers={ahead} told={3} onAnswer={told} />);
    expect(screen.getAllByRole("button")).toHaveLength(11);
    fireEvent.click(screen.getByRole("button", { name: /^5 ?hot ?: hold$/ }));
    expect(told).toHaveBeenCalledWith(5);
    expect(screen.getByRole("button", { name: /^9.*: end$/ }).className).toContain("end");
  });
});
