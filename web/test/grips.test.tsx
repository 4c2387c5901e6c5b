// @vitest-environment jsdom
import { families, startValues, type Values } from "@lampcrate/core";
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { useState } from "react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { useGripping } from "../desk/pieces/useGripping.ts";
import { LockedContext } from "../shared/pieces/locked.ts";
import { RigDrawing } from "../shared/pieces/RigDrawing.tsx";
import { standInBrowser } from "./dom.ts";

const family = families.span;
const start = startValues(family.spec);
const design = startValues(family.design);
const nothing = {};

beforeEach(() => {
  standInBrowser();
  // What jsdom lacks: one picture unit is half a px here.
  Object.assign(SVGElement.prototype, { setPointerCapture() {}, getScreenCTM: () => ({ a: 0.5 }) });
});
afterEach(cleanup);

function Rig({
  told,
  width = 800,
}: {
  readonly told: (id: string, value: number, words: string, settled: boolean) => void;
  readonly width?: number;
}) {
  const [spec, set] = useState<Values>(start);
  const onChange = (id: string, value: number, words: string, settled: boolean): void => {
    set((now) => ({ ...now, [id]: value }));
    told(id, value, words, settled);
  };
  const gripping = useGripping({ spec: { fields: family.spec, values: spec, onChange } }, "metric", nothing);
  return <RigDrawing scene={family.drawing(spec, design)} units="metric" wide={width} gripping={gripping} />;
}

const gap = (): HTMLElement => screen.getByRole("slider", { name: "Clear gap, in the drawing" });

describe("a rig that is taken hold of", () => {
  it("has a handle for each of its lengths, named and told in words, and says nothing more to who only looks", () => {
    render(<Rig told={() => {}} />);
    expect(screen.getAllByRole("slider").map((s) => [s.getAttribute("aria-label"), s.getAttribute("aria-valuetext")])).toEqual([
      ["Clear gap, in the drawing", "540\u00a0mm"],
      ["Greatest deck height, in the drawing", "150\u00a0mm"],
      ["Load to hold, in the drawing", "0.9\u00a0kg"],
    ]);
    cleanup();
    render(
      <LockedContext.Provider value={true}>
        <Rig told={() => {}} />
      </LockedContext.Provider>,
    );
    expect(screen.queryAllByRole("slider")).toEqual([]);
    expect(screen.getByRole("img", { name: /Two supports/ })).toBeTruthy();
  });

  it("moves by the keys as its ruler does, and stays inside what it may be", () => {
    const told = vi.fn();
    render(<Rig told={told} />);
    fireEvent.keyDown(gap(), { key: "ArrowRight" });
    expect(told).toHaveBeenLastCalledWith("gapM", 0.55, "Clear gap 550\u00a0mm", true);
    fireEvent.keyDown(gap(), { key: "PageDown" });
    expect(told).toHaveBeenLastCalledWith("gapM", 0.45, "Clear gap 450\u00a0mm", true);
    fireEvent.keyDown(gap(), { key: "Home" });
    fireEvent.keyDown(gap(), { key: "ArrowLeft" });
    expect(told).toHaveBeenLastCalledWith("gapM", 0.1, "Clear gap 100\u00a0mm", true);
  });

  it("follows the pointer to scale: so many px are so many mm, however the picture would grow meanwhile", () => {
    const told = vi.fn();
    const { container } = render(<Rig told={told} />);
    const drawn = family.drawing(start, design);
    // 800 wide less its edges for the whole width of the scene, or as its height allows; half a px for each unit.
    const tall = Math.max(130, Math.min(400, (748 * drawn.height) / drawn.width + 52));
    const pxPerM = Math.min(748 / drawn.width, (tall - 52) / drawn.height) * 0.5;
    fireEvent.pointerDown(gap(), { clientX: 100, clientY: 50, pointerId: 1 });
    fireEvent.pointerMove(gap(), { clientX: 100 + pxPerM * 0.1, clientY: 90, pointerId: 1 });
    expect(told).toHaveBeenLastCalledWith("gapM", 0.64, "Clear gap 640\u00a0mm", false);
    const before = container.querySelector("svg")?.getAttribute("viewBox");
    fireEvent.pointerMove(gap(), { clientX: 100 + pxPerM * 0.2, clientY: 0, pointerId: 1 });
    expect(told).toHaveBeenLastCalledWith("gapM", 0.74, "Clear gap 740\u00a0mm", false);
    expect(container.querySelector("svg")?.getAttribute("viewBox")).toBe(before);
    fireEvent.pointerUp(gap(), { clientX: 100 - pxPerM * 0.04, clientY: 0, pointerId: 1 });
    expect(told).toHaveBeenLastCalledWith("gapM", 0.5, "Clear gap 500\u00a0mm", true);
    const calls = told.mock.calls.length;
    fireEvent.pointerMove(gap(), { clientX: 500, clientY: 0, pointerId: 1 });
    expect(told.mock.calls).toHaveLength(calls);
  });

  it("a height is moved up and down, and sideways not at all", () => {
    const told = vi.fn();
    render(<Rig told={told} />);
    const deck = screen.getByRole("slider", { name: "Greatest deck height, in the drawing" });
    fireEvent.pointerDown(deck, { clientX: 0, clientY: 100, pointerId: 1 });
    fireEvent.pointerMove(deck, { clientX: 300, clientY: 100, pointerId: 1 });
    expect(told.mock.calls.at(-1)?.[1]).toBe(0.15);
    fireEvent.pointerMove(deck, { clientX: 300, clientY: 60, pointerId: 1 });
    expect(told.mock.calls.at(-1)?.[1]).toBeGreaterThan(0.15);
  });
});
