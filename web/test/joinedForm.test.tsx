// @vitest-environment jsdom
import type { RunDoc } from "@lampcrate/contract";
import { act, renderHook } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { useJoinedForm } from "../desk/pieces/useJoinedForm.ts";
import { saveSettings } from "../desk/work/settings.ts";
import { standInServer } from "./dom.ts";

interface House {
  readonly revision: number;
  readonly name: string;
  readonly zone: string;
  readonly rooms: readonly { readonly id: string; readonly seats: number }[];
}
const house: House = { revision: 1, name: "Reedbank", zone: "CET", rooms: [{ id: "a", seats: 20 }] };

describe("a form over what is saved", () => {
  beforeEach(() => sessionStorage.clear());
  const open = (saved: House) => renderHook(({ of }) => useJoinedForm("house", of), { initialProps: { of: saved } });

  it("is clean until something else is typed, and outlives a visit elsewhere", () => {
    const { result, unmount } = open(house);
    expect([result.current.value, result.current.dirty]).toEqual([house, false]);
    act(() => result.current.set({ name: "Quillmarsh" }));
    unmount();
    const { result: back } = open(house);
    expect([back.current.value.name, back.current.dirty]).toEqual(["Quillmarsh", true]);
    act(() => back.current.set({ name: "Reedbank" }));
    expect(back.current.dirty).toBe(false);
    act(() => back.current.drop());
    expect(back.current.value).toEqual(house);
  });

  it("joins what somebody else saved of other fields, on their revision", () => {
    const { result, rerender } = open(house);
    act(() => result.current.set({ name: "Quillmarsh", rooms: [...house.rooms, { id: "b", seats: 5 }] }));
    rerender({ of: { ...house, revision: 2, zone: "UTC", rooms: [{ id: "a", seats: 30 }] } });
    expect(result.current.clashes).toEqual([]);
    expect(result.current.value).toEqual({
      revision: 2,
      name: "Quillmarsh",
      zone: "UTC",
      rooms: [
        { id: "a", seats: 30 },
        { id: "b", seats: 5 },
      ],
    });
  });

  it("lets what is typed stand where both changed the same, says so until it is settled, and takes theirs when asked", () => {
    const { result, rerender } = open(house);
    act(() => result.current.set({ name: "Quillmarsh" }));
    rerender({ of: { ...house, revision: 2, name: "Millpond" } });
    act(() => result.current.set({ zone: "UTC" }));
    expect(result.current.value).toMatchObject({ revision: 2, name: "Quillmarsh", zone: "UTC" });
    expect(result.current.clashes).toEqual([{ place: ["name"], mine: "Quillmarsh", theirs: "Millpond" }]);
    act(() => result.current.takeTheirs());
    expect([result.current.value.name, result.current.value.zone, result.current.clashes]).toEqual(["Millpond", "UTC", []]);
  });
});

describe("a run's settings", () => {
  const run = { id: "r", revision: 1, title: "Walk", units: "metric", closesOn: "2026-12-20" } as unknown as RunDoc;
  let current: RunDoc;
  let asked: ReturnType<typeof standInServer>;
  beforeEach(() => {
    asked = standInServer((_, __, body) => {
      const sent = body as RunDoc;
      return sent.revision === current.revision
        ? { body: { ...current, ...sent, revision: sent.revision + 1 } }
        : { status: 409, body: { type: "about:blank", title: "Stale", status: 409, detail: "Changed meanwhile.", current } };
    });
  });
  afterEach(() => {
    vi.unstubAllGlobals();
  });

  it("are sent again over others that somebody else changed meanwhile", async () => {
    current = { ...run, revision: 2, closesOn: "2026-12-24" };
    expect(await saveSettings(run, { title: "Boardwalk" })).toMatchObject({ revision: 3, title: "Boardwalk", closesOn: "2026-12-24" });
    expect(asked).toHaveLength(2);
  });

  it("are refused where somebody else changed the same one", async () => {
    current = { ...run, revision: 2, title: "Marsh walk" };
    await expect(saveSettings(run, { title: "Boardwalk" })).rejects.toThrow("Changed meanwhile.");
    expect(asked).toHaveLength(1);
  });
});
