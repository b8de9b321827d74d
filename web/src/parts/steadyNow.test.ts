import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

let wall = 0;
let running = 0;

beforeEach(() => {
  vi.resetModules();
  wall = Date.UTC(2026, 10, 25, 14, 0, 0);
  running = 5000;
  vi.spyOn(Date, "now").mockImplementation(() => wall);
  vi.spyOn(performance, "now").mockImplementation(() => running);
});
afterEach(() => vi.restoreAllMocks());

function pass(ms: number) {
  wall += ms;
  running += ms;
}

describe("the steady time of this machine", () => {
  it("goes on over a clock that is set back", async () => {
    const { steadyNow } = await import("./steadyNow");
    const begun = steadyNow();
    wall -= 30 * 60_000;
    pass(10_000);
    expect(steadyNow() - begun).toBe(10_000);
    wall += 30 * 60_000;
    expect(steadyNow() - begun).toBe(10_000);
  });

  it("believes that it slept, and has the server asked", async () => {
    const { onJump, steadyNow } = await import("./steadyNow");
    const told = vi.fn();
    onJump(told);
    const begun = steadyNow();
    wall += 90_000;
    pass(1000);
    expect(steadyNow() - begun).toBe(91_000);
    expect(told).toHaveBeenCalledOnce();
  });

  it("keeps the server's time over a jump between two answers", async () => {
    const { offsetOf, steadyNow } = await import("./steadyNow");
    const server = wall + 7000;
    const offset = offsetOf(new Date(server).toISOString(), wall);
    wall -= 3_600_000;
    pass(2000);
    expect(steadyNow() + offset).toBe(server + 2000);
  });
});
