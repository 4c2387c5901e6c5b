// @vitest-environment jsdom
import { families, startValues, type Values } from "@lampcrate/core";
import { cleanup, fireEvent, render, screen, within } from "@testing-library/react";
import { useState } from "react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { TwinDials } from "../desk/tryout/TwinDials.tsx";
import type { Design } from "../desk/tryout/TwinRuler.tsx";
import { LockedContext } from "../shared/pieces/locked.ts";
import { standInBrowser } from "./dom.ts";

const family = families["launch-band"];
const spec = startValues(family.spec);
const plain = startValues(family.design);

beforeEach(standInBrowser);
afterEach(cleanup);

function Both({
  rival,
  told,
}: {
  readonly rival: Values;
  readonly told: (of: Design, id: string, value: unknown, settled: boolean) => void;
}) {
  const [values, set] = useState({ plain, rival });
  return (
    <TwinDials
      fields={family.design}
      values={values}
      spec={spec}
      units="metric"
      onChange={(of, id, value, _, settled) => {
        set((now) => ({ ...now, [of]: { ...now[of], [id]: value } }));
        told(of, id, value, settled);
      }}
    />
  );
}

const names = (): readonly (string | null)[] => screen.getAllByRole("group").map((group) => group.getAttribute("aria-label"));
const mark = (of: string): HTMLElement => screen.getByRole("slider", { name: of });

describe("the numbers of two designs", () => {
  it("stand on one ruler each, what differs first, and keep their place while they are moved", () => {
    const told = vi.fn();
    render(<Both rival={{ ...plain, angle: Number(plain["angle"]) + 0.1 }} told={told} />);
    expect(names()[0]).toBe("Release angle above level");
    const order = names();
    const bands = mark("Bands, plain build");
    bands.focus();
    fireEvent.keyDown(bands, { key: "ArrowRight" });
    expect(told).toHaveBeenLastCalledWith("plain", "bands", Number(plain["bands"]) + 1, true);
    expect(names()).toEqual(order);
    fireEvent.blur(bands);
    expect(names().slice(0, 2).sort()).toEqual(["Bands", "Release angle above level"]);
  });

  it("are moved by their own marks and typed in their own boxes; the other stays", () => {
    const told = vi.fn();
    render(<Both rival={plain} told={told} />);
    expect(screen.getByText("The two are the same: move one of the marks.")).toBeTruthy();
    fireEvent.keyDown(mark("Bands, held beside it"), { key: "End" });
    expect(told.mock.calls.at(-1)?.slice(0, 2)).toEqual(["rival", "bands"]);
    expect(mark("Bands, plain build").getAttribute("aria-valuenow")).toBe(String(plain["bands"]));
    const box = screen.getByRole("textbox", { name: "Stretch beyond slack, held beside it" });
    fireEvent.change(box, { target: { value: "8 cm" } });
    fireEvent.keyDown(box, { key: "Enter" });
    expect(told).toHaveBeenLastCalledWith("rival", "stretchM", 0.08, true);
    fireEvent.change(box, { target: { value: "9 m" } });
    fireEvent.blur(box);
    expect(screen.getByRole("alert").textContent).toContain("Between");
  });

  it("move by the nearer mark where they are apart, and by height where they lie on each other", () => {
    const told = vi.fn();
    const { container } = render(<Both rival={{ ...plain, bands: 5 }} told={told} />);
    const [first] = container.querySelectorAll<SVGSVGElement>(".ruler.twin svg");
    if (!first) throw new Error("there is a ruler");
    first.getBoundingClientRect = () => ({ left: 0, top: 0, width: 500, height: 36 }) as DOMRect;
    first.setPointerCapture = () => {};
    const press = (clientX: number, clientY: number): unknown => {
      fireEvent.pointerDown(first, { clientX, clientY, pointerId: 1 });
      fireEvent.pointerUp(first, { clientX, clientY, pointerId: 1 });
      return told.mock.calls.at(-1)?.slice(0, 3);
    };
    expect(press(300, 30)).toEqual(["rival", "bands", 4]);
    expect(press(100, 30)).toEqual(["plain", "bands", 2]);
    expect(press(200, 5)?.[0 as never]).toBe("plain");
    press(200, 30);
    fireEvent.keyDown(mark("Bands, held beside it"), { key: "Home" });
    fireEvent.keyDown(mark("Bands, plain build"), { key: "Home" });
    expect([press(400, 4), press(0, 30)].map((call) => (call as unknown[])[0])).toEqual(["rival", "plain"]);
  });

  it("rest where nothing may be changed", () => {
    const told = vi.fn();
    render(
      <LockedContext.Provider value={true}>
        <Both rival={plain} told={told} />
      </LockedContext.Provider>,
    );
    const ruler = screen.getByRole("group", { name: "Bands" });
    for (const slider of within(ruler).getAllByRole("slider")) {
      fireEvent.keyDown(slider, { key: "ArrowRight" });
      expect(slider.getAttribute("aria-disabled")).toBe("true");
    }
    expect(told).not.toHaveBeenCalled();
  });
});
