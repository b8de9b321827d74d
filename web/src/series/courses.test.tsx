import { fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { CourseState, CourseWish } from "../api/types";
import { server, shown } from "../parts/testing";
import { BookCourse } from "./BookCourse";
import { ChangeCourse } from "./ChangeCourse";
import { Courses } from "./Courses";

const CLIENT = "11111111-0000-4000-8000-000000000001";
const COURSE = "22222222-0000-4000-8000-000000000001";
const COURSES = `/api/clients/${CLIENT}/courses`;

type Peel = CourseState["peels"][number];

function peel(number: number, on: string, state: Peel["state"], more: Partial<Peel> = {}): Peel {
  return {
    number,
    visitId: `33333333-0000-4000-8000-00000000000${number}`,
    on,
    startsAt: `${on}T10:00:00Z`,
    formula: "MAN-20",
    layers: 1,
    state,
    why: ["7 days on"],
    ...more,
  };
}

const RUNNING: CourseState = {
  id: COURSE,
  region: "FACE",
  formulas: ["MAN-20"],
  maintenance: false,
  room: "room 1",
  minutes: 45,
  peels: [
    peel(1, "2026-11-18", "DONE"),
    peel(2, "2026-11-23", "BOOKED"),
    peel(3, "2026-12-02", "SKIPPED", { skipped: "has a cold" }),
    peel(4, "2026-12-09", "BOOKED"),
  ],
};

beforeEach(() => {
  vi.useFakeTimers({ now: new Date("2026-11-25T14:00:00Z"), toFake: ["Date"] });
});

afterEach(() => {
  vi.useRealTimers();
});

describe("the courses of a client", () => {
  it("say what is done, and why one is left out", async () => {
    server({
      [COURSES]: { courses: [RUNNING], formulas: ["MAN-20"] },
      "/api/session": { rights: ["TREAT"] },
    });
    shown(<Courses clientId={CLIENT} />);
    expect(await screen.findByText("1 of 4")).toBeTruthy();
    expect(screen.getByText("has a cold")).toBeTruthy();
    expect(screen.getAllByText("7 days on")).toHaveLength(3);
  });
});

describe("a course that is moved", () => {
  const move = `/api/courses/${COURSE}/move`;

  it("is never proposed for a day that is over", async () => {
    const asked = server({ [move]: { courses: [], formulas: [] } });
    const closed = vi.fn();
    shown(
      <ChangeCourse
        clientId={CLIENT}
        change={{ course: RUNNING, kind: "move" }}
        onClose={closed}
      />,
    );
    expect(screen.getByLabelText<HTMLInputElement>(/^To/).value).toBe("2026-11-26");
    fireEvent.click(screen.getByRole("button", { name: "Move" }));
    await waitFor(() => expect(closed).toHaveBeenCalled());
    expect(asked).toEqual([`POST ${move} {"number":2,"to":"2026-11-26"}`]);
  });

  it("offers only what is ahead, each from its own day", async () => {
    server({});
    shown(
      <ChangeCourse
        clientId={CLIENT}
        change={{ course: RUNNING, kind: "move" }}
        onClose={vi.fn()}
      />,
    );
    fireEvent.mouseDown(screen.getByLabelText("From peel"));
    const offered = await screen.findAllByRole("option");
    expect(offered.map((one) => one.textContent)).toEqual([
      "2, Mon 23 Nov, MAN-20",
      "4, Wed 9 Dec, MAN-20",
    ]);
    fireEvent.click(offered[1]!);
    expect(screen.getByLabelText<HTMLInputElement>(/^To/).value).toBe("2026-12-09");
  });
});

describe("a course that is booked", () => {
  const wish: CourseWish = {
    formulas: ["MAN-20"],
    layers: 1,
    count: 2,
    first: "2026-11-30",
    hour: "10:00:00",
    minutes: 45,
    room: "room 1",
    region: "FACE",
    maintenance: false,
  };

  it("is shown with the reasons of its days, and at a plateau offers the other family", async () => {
    const asked = server({
      [`${COURSES}/placing`]: [
        { number: 1, on: "2026-11-30", formula: "MAN-20", layers: 1, why: ["first of the course"] },
        { number: 2, on: "2026-12-14", formula: "MAN-20", layers: 1, why: ["moved 7 days: shut"] },
      ],
    });
    shown(
      <BookCourse
        clientId={CLIENT}
        proposal={wish}
        formulas={["MAN-20", "PYR-40"]}
        alternative="PYR-40"
        onClose={vi.fn()}
      />,
    );
    expect(await screen.findByText("moved 7 days: shut")).toBeTruthy();
    expect(screen.getByRole("button", { name: "Book 2 visits" })).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Alternate with PYR-40" }));
    await waitFor(() =>
      expect(asked.at(-1)).toContain(`POST ${COURSES}/placing {"formulas":["MAN-20","PYR-40"]`),
    );
  });
});
