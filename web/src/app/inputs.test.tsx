import { fireEvent, render, screen, waitFor } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { number, numbers } from "../parts/NumberField";
import { Chips } from "../parts/Chips";
import { CommitField } from "../parts/CommitField";
import { FIGURES, figureOf } from "../parts/figures";
import { SignaturePad } from "../parts/SignaturePad";

describe("numbers as they are typed", () => {
  it("take point or comma, and are none while they are not whole", () => {
    expect(number("2,5")).toBe(2.5);
    expect(number(" 35 ")).toBe(35);
    expect(number("")).toBeNull();
    expect(number("three")).toBeNull();
    expect(numbers({ a: "1", b: "2.5" })).toEqual({ a: 1, b: 2.5 });
    expect(numbers({ a: "1", b: "-" })).toBeNull();
  });
});

describe("chips", () => {
  it("take one in and leave one out", () => {
    const change = vi.fn();
    const options = [
      { id: "a", label: "first" },
      { id: "b", label: "second" },
    ];
    render(<Chips label="some" options={options} chosen={["a"]} onChange={change} />);
    expect(screen.getByRole("button", { name: "first" }).getAttribute("aria-pressed")).toBe("true");
    fireEvent.click(screen.getByRole("button", { name: "second" }));
    expect(change).toHaveBeenLastCalledWith(["a", "b"]);
    fireEvent.click(screen.getByRole("button", { name: "first" }));
    expect(change).toHaveBeenLastCalledWith([]);
  });
});

describe("a field that is saved when it is left", () => {
  it("keeps what was refused in it and says why", async () => {
    const commit = vi.fn(() => Promise.reject(new Error("Total is 41; allowed is 0 to 40.")));
    render(<CommitField label="Total" value="12" onCommit={commit} />);
    const field = screen.getByLabelText("Total");
    fireEvent.change(field, { target: { value: "41" } });
    fireEvent.blur(field);
    await waitFor(() => expect(screen.getByText(/allowed is 0 to 40/)).toBeTruthy());
    expect((field as HTMLInputElement).value).toBe("41");
    expect(commit).toHaveBeenCalledWith("41");
  });

  it("does not save what was not changed", () => {
    const commit = vi.fn(() => Promise.resolve());
    render(<CommitField label="Notes" value="fan" onCommit={commit} />);
    fireEvent.blur(screen.getByLabelText("Notes"));
    expect(commit).not.toHaveBeenCalled();
  });
});

describe("a signature", () => {
  it("is kept as strokes in the field's own measure, and can be cleared", () => {
    const change = vi.fn();
    const { container, rerender } = render(
      <SignaturePad label="Signature" width={600} height={200} strokes={[]} onChange={change} />,
    );
    const field = container.querySelector("svg")!;
    field.setPointerCapture = () => undefined;
    field.getBoundingClientRect = () => ({ left: 10, top: 20, width: 300, height: 100 }) as DOMRect;
    fireEvent.pointerDown(field, { clientX: 10, clientY: 20, pointerId: 1 });
    fireEvent.pointerMove(field, { clientX: 160, clientY: 70, pointerId: 1 });
    fireEvent.pointerMove(field, { clientX: 900, clientY: 70, pointerId: 1 });
    fireEvent.pointerUp(field, { pointerId: 1 });
    const strokes = change.mock.calls[0]?.[0] as { x: number; y: number }[][];
    expect(strokes).toEqual([
      [
        { x: 0, y: 0 },
        { x: 300, y: 100 },
        { x: 600, y: 100 },
      ],
    ]);
    rerender(
      <SignaturePad
        label="Signature"
        width={600}
        height={200}
        strokes={strokes}
        onChange={change}
      />,
    );
    fireEvent.click(screen.getByRole("button", { name: "Clear: Signature" }));
    expect(change).toHaveBeenLastCalledWith([]);
  });
});

describe("the figures", () => {
  it("draw each zone once, mirrored in pairs, with its number inside", () => {
    expect(figureOf("HAND_LEFT")).toBe("HANDS");
    expect(figureOf("DECOLLETAGE")).toBe("NECK");
    expect(figureOf("THIGH_RIGHT")).toBe("FRONT");
    expect(figureOf("BACK_LOWER")).toBe("BACK");
    expect(figureOf(undefined)).toBe("FACE");
    const [right] = FIGURES.HANDS.centres.HAND_RIGHT!;
    const [left] = FIGURES.HANDS.centres.HAND_LEFT!;
    expect(right + left).toBe(400);
    for (const figure of Object.values(FIGURES)) {
      expect(Object.keys(figure.centres).sort()).toEqual(Object.keys(figure.paths).sort());
    }
  });
});
