// @vitest-environment jsdom
import { fireEvent, renderHook } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { activeKeys, useKeys } from "../desk/pieces/keys.ts";

describe("keys of the desk", () => {
  it("work once a press, hold down where they may, and with Ctrl only where they ask for it", () => {
    const [undo, down, plain] = [vi.fn(), vi.fn(), vi.fn()];
    const { unmount } = renderHook(() =>
      useKeys([
        { key: "z", words: "undo", act: undo, ctrl: true },
        { key: "z", words: "zoom", act: plain },
        { key: "ArrowDown", words: "next", act: down, repeats: true },
      ]),
    );
    fireEvent.keyDown(document.body, { key: "z", ctrlKey: true });
    fireEvent.keyDown(document.body, { key: "z", metaKey: true });
    fireEvent.keyDown(document.body, { key: "z", altKey: true });
    fireEvent.keyDown(document.body, { key: "z" });
    fireEvent.keyDown(document.body, { key: "z", repeat: true });
    fireEvent.keyDown(document.body, { key: "ArrowDown", repeat: true });
    expect([undo.mock.calls.length, plain.mock.calls.length, down.mock.calls.length]).toEqual([2, 1, 1]);
    expect(activeKeys().map(({ words }) => words)).toEqual(["undo", "zoom", "next"]);
    unmount();
    fireEvent.keyDown(document.body, { key: "z" });
    expect([plain.mock.calls.length, activeKeys()]).toEqual([1, []]);
  });

  it("rest while somebody types or a dialog is open, and do what they stand for now", () => {
    const acted: string[] = [];
    const { rerender } = renderHook(({ as }) => useKeys([{ key: "a", words: as, act: () => acted.push(as) }]), {
      initialProps: { as: "first" },
    });
    const box = document.body.appendChild(document.createElement("input"));
    fireEvent.keyDown(box, { key: "a" });
    const dialog = document.body.appendChild(document.createElement("div"));
    dialog.setAttribute("role", "dialog");
    fireEvent.keyDown(document.body, { key: "a" });
    dialog.remove();
    rerender({ as: "second" });
    fireEvent.keyDown(document.body, { key: "a" });
    expect(acted).toEqual(["second"]);
    box.remove();
  });
});
