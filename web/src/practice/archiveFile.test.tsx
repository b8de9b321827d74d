import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { ArchiveFile } from "./ArchiveFile";

/** A request that goes on until the test says how it goes. */
class Sent {
  static all: Sent[] = [];
  upload: { onprogress?: (event: { loaded: number; total: number }) => void } = {};
  status = 0;
  response: unknown = null;
  responseType = "";
  path = "";
  headers: Record<string, string> = {};
  onload?: () => void;
  onerror?: () => void;
  onabort?: () => void;

  constructor() {
    Sent.all.push(this);
  }

  open(_method: string, path: string) {
    this.path = path;
  }

  setRequestHeader(name: string, value: string) {
    this.headers[name] = value;
  }

  send() {
    // It is on its way until the test answers.
  }

  abort() {
    this.onabort?.();
  }

  async answers(status: number, response: unknown) {
    this.status = status;
    this.response = response;
    await act(async () => {
      this.onload?.();
      await Promise.resolve();
    });
  }
}

const effect = (table: string, fresh: number, differing = 0) => ({
  table,
  fresh,
  same: 0,
  differing,
});

beforeEach(() => {
  Sent.all = [];
  vi.stubGlobal("XMLHttpRequest", Sent);
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

async function picked(): Promise<Sent> {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <ArchiveFile />
    </QueryClientProvider>,
  );
  await act(async () => {
    fireEvent.change(screen.getByLabelText("File to read in"), {
      target: { files: [new File(["{}"], "client.json")] },
    });
    await Promise.resolve();
  });
  const [sent] = Sent.all;
  if (!sent) throw new Error("nothing was sent");
  return sent;
}

describe("a file read in", () => {
  it("shows how much of it was read, and is stopped at any time", async () => {
    const sent = await picked();
    expect(sent.path).toBe("/api/archive/preview");
    act(() => sent.upload.onprogress?.({ loaded: 45, total: 60 }));
    expect(screen.getByRole("progressbar").getAttribute("value")).toBe("0.75");
    expect(screen.getByText("75 %")).toBeTruthy();
    await act(async () => {
      fireEvent.click(screen.getByRole("button", { name: "Stop" }));
      await Promise.resolve();
    });
    expect(await screen.findByText(/Stopped. Nothing was written./)).toBeTruthy();
    expect(screen.queryByRole("progressbar")).toBeNull();
  });

  it("says what it would do before it does it", async () => {
    const sent = await picked();
    await sent.answers(200, {
      effects: [effect("client", 1), effect("visit", 8)],
      notes: ["2 × Consent"],
    });
    expect(await screen.findByText("1 client more")).toBeTruthy();
    expect(screen.getByText("8 visits more")).toBeTruthy();
    expect(screen.getByText(/Not read, or to be known: 2 × Consent/)).toBeTruthy();
    await act(async () => {
      fireEvent.click(screen.getByRole("button", { name: "Take it in" }));
      await Promise.resolve();
    });
    const take = Sent.all[1];
    expect(take?.path).toBe("/api/archive");
    // What was read to its end is being written: it cannot be stopped any more.
    act(() => take?.upload.onprogress?.({ loaded: 60, total: 60 }));
    expect(screen.getByRole("button", { name: "Stop" }).hasAttribute("disabled")).toBe(true);
    await take?.answers(200, { effects: [effect("client", 1)], notes: [] });
    expect(await screen.findByText("was taken in.", { exact: false })).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Take it in" })).toBeNull();
  });

  it("offers nothing where what is here stands otherwise", async () => {
    const sent = await picked();
    await sent.answers(200, { effects: [effect("visit", 0, 3)], notes: [] });
    expect(await screen.findByText(/3 visits stand here otherwise/)).toBeTruthy();
    expect(screen.getByText(/this file cannot be taken in/)).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Take it in" })).toBeNull();
  });

  it("names the line of a bad file", async () => {
    const sent = await picked();
    await sent.answers(400, { detail: "Line 5: client.date_of_birth is a date." });
    expect(await screen.findByText(/Line 5: client.date_of_birth/)).toBeTruthy();
  });
});
