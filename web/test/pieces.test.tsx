// @vitest-environment jsdom
import { QueryClientProvider } from "@tanstack/react-query";
import { act, cleanup, fireEvent, render, renderHook, screen, within } from "@testing-library/react";
import type { ReactNode } from "react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { DataTable } from "../desk/pieces/DataTable.tsx";
import { EditCell } from "../desk/pieces/EditCell.tsx";
import { FocusIn } from "../desk/pieces/FocusIn.tsx";
import { Fold } from "../desk/pieces/Fold.tsx";
import { useSave } from "../desk/pieces/useSave.ts";
import { api, ask } from "../shared/client.ts";
import { spanOf } from "../shared/pieces/ValueStrip.tsx";
import { useSame } from "../shared/useSame.ts";
import { keptQueries, standInBrowser, standInServer } from "./dom.ts";

beforeEach(() => {
  standInBrowser();
  sessionStorage.clear();
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe("a table of ours", () => {
  const rows = [
    { id: "a", name: "Card", n: 20 },
    { id: "b", name: "Bin bag", n: 3 },
  ];
  const shown = (): readonly (string | null)[] => screen.getAllByRole("rowheader").map((cell) => cell.textContent);

  it("has a name, and is sorted by its heads", () => {
    render(
      <DataTable
        label="Materials"
        rowKey="id"
        rows={rows}
        columns={[
          { title: "Material", dataIndex: "name", rowScope: "row" },
          { title: "On hand", dataIndex: "n", sorter: (a, b) => a.n - b.n },
        ]}
      />,
    );
    expect(screen.getByRole("table", { name: "Materials" })).toBeTruthy();
    expect(shown()).toEqual(["Card", "Bin bag"]);
    fireEvent.click(screen.getByRole("columnheader", { name: "On hand" }));
    expect(shown()).toEqual(["Bin bag", "Card"]);
  });

  it("doesn't keep the form of a row that was closed", () => {
    const table = (open: readonly string[]) => (
      <DataTable
        label="Materials"
        rowKey="id"
        rows={rows}
        columns={[{ title: "Material", dataIndex: "name" }]}
        expandable={{
          expandedRowKeys: open,
          showExpandColumn: false,
          expandedRowRender: ({ name }) => <input aria-label={`form of ${name}`} />,
        }}
      />
    );
    const { rerender } = render(table(["a"]));
    expect(screen.getByLabelText("form of Card")).toBeTruthy();
    rerender(table(["b"]));
    expect([screen.queryByLabelText("form of Card"), screen.getByLabelText("form of Bin bag").tagName]).toEqual([null, "INPUT"]);
  });
});

describe("a number changed where it stands", () => {
  it("is words until it is pressed, is taken at Enter, and put back at Escape; the keys are on it again then", async () => {
    const take = vi.fn(() => null);
    render(<EditCell label="Card, price" column="price" shown="€5.00" onTake={take} />);
    expect(screen.queryByRole("textbox")).toBeNull();
    fireEvent.click(screen.getByRole("button", { name: "€5.00" }));
    const box = screen.getByRole("textbox", { name: "Card, price" });
    expect(document.activeElement).toBe(box);
    fireEvent.change(box, { target: { value: "6" } });
    fireEvent.keyDown(box, { key: "Escape" });
    expect([take.mock.calls, screen.queryByRole("textbox")]).toEqual([[], null]);
    expect(document.activeElement).toBe(screen.getByRole("button", { name: "€5.00" }));
    fireEvent.click(screen.getByRole("button", { name: "€5.00" }));
    const again = screen.getByRole("textbox", { name: "Card, price" });
    fireEvent.change(again, { target: { value: "7" } });
    fireEvent.keyDown(again, { key: "Enter" });
    await act(() => new Promise((done) => setTimeout(done, 5)));
    expect([take.mock.calls, screen.queryByRole("textbox")]).toEqual([[["7"]], null]);
    expect(document.activeElement).toBe(screen.getByRole("button", { name: "€5.00" }));
  });

  it("stays open with a word on what is wrong, and closes once it is left in order", async () => {
    render(<EditCell label="Card, price" column="price" shown="€5.00" onTake={(typed) => (typed === "x" ? "No price." : null)} />);
    fireEvent.click(screen.getByRole("button", { name: "€5.00" }));
    const box = screen.getByRole("textbox", { name: "Card, price" });
    fireEvent.change(box, { target: { value: "x" } });
    fireEvent.blur(box);
    await act(() => new Promise((done) => setTimeout(done, 5)));
    expect(screen.getByRole("alert").textContent).toBe("No price.");
    fireEvent.change(box, { target: { value: "4" } });
    fireEvent.blur(box);
    await act(() => new Promise((done) => setTimeout(done, 5)));
    expect(screen.queryByRole("textbox")).toBeNull();
  });
});

describe("a long part of a page", () => {
  const fold = (
    <Fold name="Rules" title="Rules" at="rules" holds="3 of the family">
      <p>Does nothing touch the floor?</p>
    </Fold>
  );

  it("is folded with what it holds said, and is found open by whoever opened it", () => {
    render(fold);
    expect(screen.queryByText(/touch the floor/)).toBeNull();
    fireEvent.click(within(screen.getByRole("region", { name: "Rules" })).getByRole("button", { name: "open: 3 of the family" }));
    expect(screen.getByText(/touch the floor/)).toBeTruthy();
    cleanup();
    render(fold);
    expect(screen.getByRole("button", { name: "fold" }).getAttribute("aria-expanded")).toBe("true");
  });
});

describe("the same object", () => {
  it("is kept while nothing in it changes, and no longer", () => {
    const { result, rerender } = renderHook(({ given }) => useSame(given), { initialProps: { given: { a: [1, { b: 2 }] } } });
    const first = result.current;
    rerender({ given: { a: [1, { b: 2 }] } });
    expect(result.current).toBe(first);
    rerender({ given: { a: [1, { b: 3 }] } });
    expect(result.current).toEqual({ a: [1, { b: 3 }] });
    expect(result.current).not.toBe(first);
  });
});

describe("the span of a strip", () => {
  it("shows everything with room at its ends, never below nothing", () => {
    expect(spanOf([1, 2])).toEqual([expect.closeTo(0.88, 9), expect.closeTo(2.12, 9)]);
    expect(spanOf([0.1, 5])[0]).toBe(0);
    expect(spanOf([2])).toEqual([expect.closeTo(1.76, 9), expect.closeTo(2.24, 9)]);
    expect([spanOf([]), spanOf([Number.POSITIVE_INFINITY])]).toEqual([
      [0, 1],
      [0, 1],
    ]);
  });
});

describe("one way to save", () => {
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={keptQueries()}>{children}</QueryClientProvider>
  );
  const open = (status: number, parts: { onStale?: () => Promise<void>; onSaved?: () => void } = {}) => {
    standInServer(() => ({
      status,
      body:
        status === 200
          ? []
          : { type: "about:blank", title: "No", status, detail: "Not so.", errors: [{ field: "counts[0].counted", message: "Too many." }] },
    }));
    return renderHook(() => useSave({ send: () => ask(api.stock.count.$post({ json: { counts: [] } })), ...parts }), { wrapper });
  };

  it("says whether it was taken, and what was wrong at its field", async () => {
    const saved = vi.fn();
    const { result } = open(200, { onSaved: saved });
    await act(async () => expect(await result.current.save()).toBe(true));
    expect([saved.mock.calls.length, result.current.trouble]).toEqual([1, null]);
    const refused = open(422, { onSaved: saved });
    await act(async () => expect(await refused.result.current.save()).toBe(false));
    expect([refused.result.current.message("counts"), refused.result.current.rest, saved.mock.calls.length]).toEqual([
      "Too many.",
      null,
      1,
    ]);
  });

  it("tells who typed it when somebody else was there before, and only then", async () => {
    const stale = vi.fn(async () => {});
    const { result } = open(409, { onStale: stale });
    await act(async () => expect(await result.current.save()).toBe(false));
    expect(stale).toHaveBeenCalledTimes(1);
    const other = open(422, { onStale: stale });
    await act(async () => expect(await other.result.current.save()).toBe(false));
    expect(stale).toHaveBeenCalledTimes(1);
  });
});

describe("what was opened", () => {
  it("has the keys in its first field, and gives them back when it is gone", async () => {
    const page = (open: boolean) => (
      <>
        <button type="button">Open</button>
        {open ? (
          <FocusIn>
            <input disabled aria-label="never" />
            <input aria-label="first" />
          </FocusIn>
        ) : null}
      </>
    );
    const { rerender } = render(page(false));
    screen.getByRole("button").focus();
    rerender(page(true));
    expect(document.activeElement).toBe(screen.getByLabelText("first"));
    rerender(page(false));
    expect(document.activeElement).toBe(screen.getByRole("button"));
  });
});
