import { fireEvent, screen, waitFor } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { Client } from "../api/types";
import { server, shown } from "../parts/testing";
import { EraseAtWish } from "./EraseAtWish";
import { JoinCharts } from "./JoinCharts";

const MAREN: Client = {
  id: "11111111-0000-4000-8000-000000000001",
  name: "Maren Holt",
  dateOfBirth: "1983-09-16",
  occupation: "boat painter",
  sun: "",
  allergies: "nickel",
  comforts: [],
  comfort: "",
  guardian: "",
  language: "EN",
  version: 1,
};
const AGAIN: Client = {
  ...MAREN,
  id: "11111111-0000-4000-8000-000000000002",
  name: "Maren Holdt",
  dateOfBirth: "1983-09-18",
  allergies: "latex",
};

async function pickTheOther() {
  const field = screen.getByLabelText("The other chart");
  fireEvent.change(field, { target: { value: "mar" } });
  fireEvent.click(await screen.findByText("Maren Holdt, born 18 Sept 1983"));
}

describe("joining two charts", () => {
  const at = `/api/clients/${MAREN.id}/joined/${AGAIN.id}`;
  const would = {
    kept: MAREN,
    other: AGAIN,
    moved: { visit: 2, consent: 1 },
    stays: { score_sheet: 1 },
    near: ["GLY-35 on Thu 3 Dec and MAN-40 on Mon 7 Dec are nearer than 14 days"],
  };

  it("says what comes over, what stays, and that the days of birth differ", async () => {
    const asked = server({ "/api/clients": { clients: [MAREN, AGAIN], total: 2 }, [at]: would });
    const closed = vi.fn();
    shown(<JoinCharts client={MAREN} onClose={closed} />);
    expect(screen.getByRole("button", { name: "Join them" }).hasAttribute("disabled")).toBe(true);
    await pickTheOther();
    expect(await screen.findByText(/16 Sept 1983 here, 18 Sept 1983 there/)).toBeTruthy();
    expect(screen.getByText(/2 visits, 1 consent/)).toBeTruthy();
    expect(screen.getByText(/1 day of scores/)).toBeTruthy();
    expect(screen.getByText(/Told here: nickel; there: latex/)).toBeTruthy();
    expect(screen.getByText(/GLY-35 on .* are nearer than 14 days/)).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Join them" }));
    await waitFor(() => expect(closed).toHaveBeenCalled());
    expect(asked).toEqual([`POST ${at}`]);
  });

  it("says why it cannot be, and offers nothing", async () => {
    server({
      "/api/clients": { clients: [AGAIN], total: 1 },
      [at]: { ...would, refused: "A treatment of Maren Holdt is open." },
    });
    shown(<JoinCharts client={MAREN} onClose={vi.fn()} />);
    await pickTheOther();
    expect(await screen.findByText("A treatment of Maren Holdt is open.")).toBeTruthy();
    expect(screen.queryByText(/Comes over/)).toBeNull();
    expect(screen.getByRole("button", { name: "Join them" }).hasAttribute("disabled")).toBe(true);
  });
});

describe("a client who asks to be erased", () => {
  const at = `/api/clients/${MAREN.id}/erasure`;

  it("hears what must be kept and until when", async () => {
    const asked = server({ [at]: { whole: false, keptUntil: "2036-11-04", visitsAhead: 1 } });
    shown(<EraseAtWish client={MAREN} onClose={vi.fn()} />);
    expect(await screen.findByText(/until 4 Nov 2036:/)).toBeTruthy();
    expect(screen.getByText(/1 visit ahead is called off/)).toBeTruthy();
    expect(asked).toEqual([]);
    fireEvent.click(screen.getByRole("button", { name: "Erase what may go" }));
    await waitFor(() => expect(asked).toEqual([`POST ${at}`]));
  });

  it("hears that all of it goes where nothing was done here", async () => {
    server({ [at]: { whole: true, visitsAhead: 0 } });
    shown(<EraseAtWish client={MAREN} onClose={vi.fn()} />);
    expect(await screen.findByRole("button", { name: "Erase for good" })).toBeTruthy();
    expect(screen.queryByText(/must be, until/)).toBeNull();
  });
});
