import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, cleanup, renderHook, waitFor } from "@testing-library/react";
import type { ReactNode } from "react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { taken, unfold } from "../api/treatment";
import type { NewEvent, Told } from "../api/types";
import { Queue } from "./couch/queue";
import { useTreatment } from "./couch/useTreatment";
import { LAYER, ZERO, at, told, treatment } from "./madeUp";

afterEach(() => {
  cleanup();
  localStorage.clear();
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

const FIRST = {
  id: "first",
  at: at(0),
  who: "ines",
  takenBack: false,
  correctable: "WHOLE" as const,
};

/** What the server answers to a tap: the entries after those that are known. */
function couchAfter(event: NewEvent, planned = 1): Told["couch"] {
  const { couch } = told(treatment({ seq: 21 }));
  return {
    ...couch,
    planned,
    log: { ...couch.log, from: 1, events: [{ ...FIRST, id: event.id }] },
  };
}

describe("a treatment on the wire", () => {
  it("is read back whole", () => {
    const whole = treatment({ layers: [LAYER, { ...LAYER, number: 2 }] });
    const wire = told(whole);
    expect(unfold(wire)).toEqual(whole);
  });

  it("tells steps anew while they are done, and keeps what stands by the plan", () => {
    const wire = told(treatment({ phase: "READY" }));
    const steps = [
      { id: "CHANGED", together: "ALONE", label: "What changed", how: "" },
      { id: "CONSENT", together: "ALONE", label: "Consent", how: "", doneAt: at(-200) },
    ] as unknown as Told["planned"]["steps"];
    const planned = { ...wire.planned, steps };
    expect(unfold({ ...wire, planned }).steps).toEqual(steps);
    const couch = { ...wire.couch, stepsDone: { CHANGED: at(-100) } };
    expect(unfold({ couch, planned }).steps.map(({ doneAt }) => doneAt)).toEqual([
      at(-100),
      undefined,
    ]);
    expect(taken({ couch: wire.couch, planned }, couch).planned).toBe(planned);
  });
});

describe("a treatment without the server", () => {
  let answering: "yes" | "no" | "refuse" | "signed out" | "full" | "broken by answers";
  let posted: NewEvent[];
  let asked: number;
  let planned: number;

  beforeEach(() => {
    answering = "yes";
    posted = [];
    asked = 0;
    planned = 1;
    vi.stubGlobal(
      "EventSource",
      class {
        addEventListener() {}
        close() {}
      },
    );
    vi.stubGlobal("fetch", async (request: Request) => {
      if (answering === "no") throw new TypeError("network");
      if (request.method === "GET") {
        asked += 1;
        return Response.json(told(treatment({ events: [FIRST] })));
      }
      if (answering === "signed out") {
        return Response.json({ detail: "Please sign in." }, { status: 403 });
      }
      if (answering === "full") {
        return Response.json({ detail: "The disk is full." }, { status: 507 });
      }
      if (answering === "refuse") {
        return Response.json({ detail: "No layer now." }, { status: 422 });
      }
      const event = (await request.json()) as NewEvent;
      if (answering === "broken by answers" && event.fact.type === "SensationAnswered") {
        return Response.json({ detail: "Something broke." }, { status: 500 });
      }
      posted.push(event);
      const since = Number(new URL(request.url).searchParams.get("since"));
      expect(since).toBeGreaterThan(0);
      return Response.json(couchAfter(event, planned));
    });
  });

  function live(account?: { username: string }) {
    const client = new QueryClient({
      defaultOptions: { queries: { retry: false, staleTime: account ? Infinity : 0 } },
    });
    if (account) client.setQueryData(["session"], { account, zone: "UTC" });
    const wrapper = ({ children }: { children: ReactNode }) => (
      <QueryClientProvider client={client}>{children}</QueryClientProvider>
    );
    return renderHook(() => useTreatment("t1", "v1"), { wrapper });
  }

  it("keeps what was said and sends it in order when the server is back", async () => {
    const { result } = live();
    await waitFor(() => expect(result.current.treatment).toBeDefined());
    answering = "no";
    act(() => result.current.say({ type: "SensationAnswered", value: 4 }));
    act(() => result.current.say({ type: "LayerCovered" }));
    await waitFor(() => expect(result.current.away).toBe(true));
    expect(result.current.unsent.map(({ fact }) => fact.type)).toEqual([
      "SensationAnswered",
      "LayerCovered",
    ]);
    expect(new Queue("t1").all()).toHaveLength(2);

    answering = "yes";
    await waitFor(() => expect(result.current.unsent).toHaveLength(0), { timeout: 4000 });
    expect(posted.map(({ fact }) => fact.type)).toEqual(["SensationAnswered", "LayerCovered"]);
    expect(new Queue("t1").all()).toHaveLength(0);
  });

  it("drops what the server refuses and says why", async () => {
    const { result } = live();
    await waitFor(() => expect(result.current.treatment).toBeDefined());
    answering = "refuse";
    act(() => result.current.say({ type: "LayerStarted", zones: ["NOSE"], nextRung: false }));
    await waitFor(() => expect(result.current.refused).toBe("No layer now."));
    expect(result.current.unsent).toHaveLength(0);
  });

  it("keeps what a full disk does not take, says so and goes on by itself", async () => {
    const { result } = live();
    await waitFor(() => expect(result.current.treatment).toBeDefined());
    answering = "full";
    act(() => result.current.say({ type: "SensationAnswered", value: 4 }));
    await waitFor(() => expect(result.current.full).toBe(true));
    expect(result.current.unsent).toHaveLength(1);
    answering = "yes";
    await waitFor(() => expect(result.current.unsent).toHaveLength(0), { timeout: 4000 });
    expect(result.current.full).toBe(false);
  });

  it("drops nothing over a session that has ended", async () => {
    const { result } = live();
    await waitFor(() => expect(result.current.treatment).toBeDefined());
    answering = "signed out";
    act(() => result.current.say({ type: "SensationAnswered", value: 4 }));
    await waitFor(() => expect(result.current.away).toBe(true));
    expect(result.current.unsent).toHaveLength(1);
    answering = "yes";
    await waitFor(() => expect(posted).toHaveLength(1), { timeout: 4000 });
  });

  it("keeps the entries that it knows when an answer tells only the new ones", async () => {
    const { result } = live();
    await waitFor(() => expect(result.current.treatment).toBeDefined());
    const before = result.current.treatment!.events;
    act(() => result.current.say({ type: "SensationAnswered", value: 4 }));
    await waitFor(() => expect(result.current.treatment!.seq).toBe(21));
    expect(result.current.treatment!.events).toHaveLength(before.length + 1);
    expect(result.current.treatment!.events.slice(0, before.length)).toEqual(before);
  });

  it("asks for the whole only where the plan is another one", async () => {
    const { result } = live();
    await waitFor(() => expect(result.current.treatment).toBeDefined());
    const first = asked;
    act(() => result.current.say({ type: "SensationAnswered", value: 4 }));
    await waitFor(() => expect(result.current.unsent).toHaveLength(0));
    expect(asked).toBe(first);
    planned = 21;
    act(() => result.current.say({ type: "SensationAnswered", value: 3 }));
    await waitFor(() => expect(asked).toBe(first + 1));
  });

  it("lets END go on behind what the server cannot take", async () => {
    const { result } = live();
    await waitFor(() => expect(result.current.treatment).toBeDefined());
    answering = "broken by answers";
    act(() => result.current.say({ type: "SensationAnswered", value: 4 }));
    act(() => result.current.say({ type: "EndingStarted" }));
    await waitFor(() => expect(posted.map(({ fact }) => fact.type)).toEqual(["EndingStarted"]), {
      timeout: 4000,
    });
    expect(result.current.unsent.map(({ fact }) => fact.type)).toEqual(["SensationAnswered"]);
    expect(result.current.away).toBe(true);
    answering = "yes";
    await waitFor(() => expect(result.current.unsent).toHaveLength(0), { timeout: 4000 });
  });

  it("sends who said it and the time of its own clock", async () => {
    const { result } = live({ username: "ines" });
    await waitFor(() => expect(result.current.treatment).toBeDefined());
    act(() => result.current.say({ type: "SensationAnswered", value: 4 }));
    await waitFor(() => expect(posted).toHaveLength(1));
    expect(posted[0]!.by).toBe("ines");
    expect(Math.abs(Date.parse(posted[0]!.sentAt!) - Date.parse(posted[0]!.at))).toBeLessThan(2000);
  });

  it("sets its clock by the server's", async () => {
    const { result } = live();
    await waitFor(() => expect(result.current.treatment).toBeDefined());
    expect(Math.abs(Date.now() + result.current.offset - (ZERO + 30_000))).toBeLessThan(2000);
  });
});
