import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { Rooms } from "./Rooms";

const FROM = Date.parse("2026-12-01T11:00:00Z");

beforeEach(() => {
  vi.useFakeTimers({ shouldAdvanceTime: true, now: FROM });
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

function show(limitAt: string, serverNow = new Date(FROM).toISOString()) {
  const visit = {
    id: "1",
    clientName: "Jonas Arkwright",
    room: "room 2",
    here: "TREAT",
    running: {
      phase: "ACID",
      elapsed: "2026-12-01T10:57:00Z",
      limitAt,
      layer: 1,
      layersPlanned: 1,
      advice: "Leave it to 8:00",
    },
  };
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  queries.setQueryData(["today"], { visits: [visit], serverNow }, { updatedAt: FROM });
  vi.stubGlobal("fetch", () => Promise.reject(new TypeError("offline")));
  render(
    <QueryClientProvider client={queries}>
      <MemoryRouter>
        <Rooms />
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

describe("the other rooms", () => {
  it("say how long the server was not heard, and no old advice", async () => {
    show("2026-12-01T11:05:00Z");
    expect(screen.getByText("Leave it to 8:00")).toBeDefined();
    await vi.advanceTimersByTimeAsync(40_000);
    expect(screen.queryByText("Leave it to 8:00")).toBeNull();
    expect(screen.getByText(/^not heard for 0:4\d$/)).toBeDefined();
  });

  it("count a peel that was left open in hours", () => {
    show("2026-12-01T09:00:00Z");
    expect(screen.getByText("Left open: enter END and sign the record")).toBeDefined();
    expect(screen.getByText("0 h")).toBeDefined();
  });

  it("say to end it within the first hour past the limit", () => {
    show("2026-12-01T10:59:00Z");
    expect(screen.getByText("End now")).toBeDefined();
    expect(screen.getByText("3:00")).toBeDefined();
  });
});
