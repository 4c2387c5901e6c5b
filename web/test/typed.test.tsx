// @vitest-environment jsdom
import { showQuantity, type UnitChoice } from "@lampcrate/core";
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { useState } from "react";
import { afterEach, describe, expect, it, vi } from "vitest";
import { CellBox } from "../desk/pieces/CellBox.tsx";
import { LengthBox } from "../desk/pieces/LengthBox.tsx";
import { Ruler } from "../shared/pieces/Ruler.tsx";
import { quantityScale } from "../shared/pieces/scale.ts";

const scale = quantityScale("length", "metric", "cm", 0.5);
const box = (): HTMLInputElement => screen.getByRole("textbox", { name: "Clear gap" });
const type = (text: string): void => {
  fireEvent.change(box(), { target: { value: text } });
};

function ruler(value: number, onChange: (value: number, settled: boolean) => void = () => {}) {
  return <Ruler label="Clear gap" scale={scale} min={0.1} max={1} step={0.01} value={value} onChange={onChange} />;
}

function Side({ room, units, taken }: { readonly room: boolean; readonly units: UnitChoice; readonly taken: (metres: number) => void }) {
  const [valueM, set] = useState<number | null>(null);
  return (
    <LengthBox
      label="Length"
      room={room}
      units={units}
      valueM={valueM}
      onChange={(metres) => {
        set(metres);
        taken(metres);
      }}
    />
  );
}

afterEach(cleanup);

describe("a number typed over a ruler", () => {
  it("keeps what is being typed when its value changes meanwhile, and takes it", () => {
    const taken = vi.fn();
    const { rerender } = render(ruler(0.5, taken));
    type("7");
    rerender(ruler(0.6, taken));
    expect(box().value).toBe("7");
    type("72");
    fireEvent.keyDown(box(), { key: "Enter" });
    expect(taken.mock.calls).toEqual([[0.72, true]]);
    rerender(ruler(0.72, taken));
    expect(box().value).toBe(showQuantity(0.72, "length", "metric", "cm"));
  });

  it("says how to mend what it can't take, and lets it go once the value is set otherwise", () => {
    const taken = vi.fn();
    const { rerender } = render(ruler(0.5, taken));
    type("5 m");
    fireEvent.blur(box());
    expect(screen.getByRole("alert").textContent).toContain("Between 10 cm and 100 cm".replaceAll(" cm", "\u00a0cm"));
    expect(box().value).toBe("5 m");
    rerender(ruler(0.5, taken));
    expect(box().value).toBe("5 m");
    rerender(ruler(0.6, taken));
    expect([box().value, screen.queryByRole("alert")]).toEqual(["60\u00a0cm", null]);
    expect(taken).not.toHaveBeenCalled();
  });

  it("leaves the value as exact as it was when nothing else was typed, and puts it back at Escape", () => {
    const taken = vi.fn();
    render(ruler(0.500_04, taken));
    type(box().value);
    fireEvent.blur(box());
    type("88");
    fireEvent.keyDown(box(), { key: "Escape" });
    fireEvent.blur(box());
    expect(taken).not.toHaveBeenCalled();
    expect(box().value).toBe("50\u00a0cm");
  });
});

describe("a cell of a grid", () => {
  it("walks down its column with Enter once what was typed is taken", () => {
    const taken = vi.fn((typed: string) => (typed === "x" ? "No number." : null));
    const cell = (label: string) => (
      <tr>
        <td>
          <CellBox label={label} column="amount" shown="1" onTake={taken} />
        </td>
      </tr>
    );
    render(
      <table>
        <tbody>
          {cell("first")}
          {cell("second")}
        </tbody>
      </table>,
    );
    const [first, second] = screen.getAllByRole("textbox");
    if (!first || !second) throw new Error("two cells");
    first.focus();
    fireEvent.change(first, { target: { value: "x" } });
    fireEvent.keyDown(first, { key: "Enter" });
    expect(document.activeElement).toBe(first);
    expect(screen.getByRole("alert").textContent).toBe("No number.");
    fireEvent.change(first, { target: { value: "3" } });
    fireEvent.keyDown(first, { key: "Enter" });
    expect(document.activeElement).toBe(second);
    fireEvent.keyDown(second, { key: "ArrowUp" });
    expect(document.activeElement).toBe(first);
    expect(taken.mock.calls.map(([typed]) => typed)).toEqual(["x", "3"]);
  });
});

describe("a length in a box", () => {
  it.each([
    [true, "metric", "8", 8, "8 m"],
    [true, "metric", "12,35", 12.35, "12.35 m"],
    [true, "imperial", "30", 9.144, "30 ft"],
    [true, "imperial", "12 ft 6 in", 3.81, "12.5 ft"],
    [true, "imperial", "31 cm", 0.31, "1.017 ft"],
    [false, "metric", "80", 0.08, "80 mm"],
    [false, "imperial", "8", 0.2032, "8 in"],
  ] as const)("of a room (%s) in %s reads %j as %d m and shows it so", (room, units, typed, metres, shown) => {
    const taken = vi.fn();
    render(<Side room={room} units={units} taken={taken} />);
    const length = screen.getByRole<HTMLInputElement>("textbox", { name: "Length" });
    fireEvent.change(length, { target: { value: typed } });
    fireEvent.blur(length);
    expect(taken.mock.calls).toEqual([[expect.closeTo(metres, 9)]]);
    expect(length.value).toBe(shown.replace(" ", "\u00a0"));
  });
});
