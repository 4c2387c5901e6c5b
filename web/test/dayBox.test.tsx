// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { DayBox } from "../desk/pieces/DayBox.tsx";
import { standInBrowser } from "./dom.ts";

beforeEach(standInBrowser);
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it("keeps a day that is typed while the view around it is painted anew", async () => {
  const taken: (string | null)[] = [];
  const box = () => <DayBox label="Open from" value="2026-12-01" onChange={(day) => taken.push(day)} />;
  const { rerender } = render(box());
  const input = screen.getByRole("textbox", { name: "Open from" });
  await act(async () => {
    fireEvent.mouseDown(input);
    fireEvent.focus(input);
    fireEvent.click(input);
  });
  await act(async () => void fireEvent.change(input, { target: { value: "2026-11-20" } }));
  await act(async () => rerender(box()));
  await act(async () => void (await new Promise((done) => setTimeout(done, 60))));
  await act(async () => rerender(box()));
  expect((input as HTMLInputElement).value).toMatch(/20 Nov 2026|2026-11-20/);
  await act(async () => void fireEvent.keyDown(input, { key: "Enter" }));
  expect(new Set(taken)).toEqual(new Set(["2026-11-20"]));
});
