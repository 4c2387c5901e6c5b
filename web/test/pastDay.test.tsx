// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { PastDay } from "../desk/pieces/PastDay.tsx";
import { standInBrowser } from "./dom.ts";

beforeEach(standInBrowser);
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it("asks about a day that is over, with its year, and takes the one that was meant", () => {
  const taken: string[] = [];
  const box = (date: string | null) => <PastDay date={date} today="2026-11-25" onChange={(day) => taken.push(day)} />;
  const { rerender, container } = render(box("2025-12-05"));
  expect(screen.getByRole("status").textContent).toContain("Friday 5 December 2025 is over.");
  fireEvent.click(screen.getByRole("button", { name: "Saturday 5 December 2026 is meant" }));
  expect(taken).toEqual(["2026-12-05"]);
  for (const quiet of ["2026-11-25", "2026-12-05", "", null]) {
    rerender(box(quiet));
    expect(container.textContent).toBe("");
  }
});
