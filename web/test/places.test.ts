import type { FoundEntry, RunSummary, StaffDoc, SupplierDoc } from "@lampcrate/contract";
import { crateCode } from "@lampcrate/core";
import { describe, expect, it } from "vitest";
import { material } from "../../contract/test/samples.ts";
import { placesFor } from "../desk/shell/places.ts";

const run = (id: string, title: string, sessions: readonly string[] = []): RunSummary =>
  ({ id, title, sessions: sessions.map((s) => ({ id: s })) }) as unknown as RunSummary;
const known = {
  runs: [run("walk", "Boardwalk over the Bog", ["saturday"]), run("raft", "Reed Raft Rescue")],
  steps: [
    { name: "Brief", path: "brief" },
    { name: "Sift", path: "sift" },
  ],
  materials: [material("card", { name: "Thin card" }), material("old", { name: "Old card", archived: true })],
  suppliers: [{ id: "s", name: "Reedbank Papers" } as SupplierDoc],
  people: [{ id: "p", name: "Marsh Sedge", role: "planner" } as StaffDoc],
  entries: [{ id: "e", runId: "walk", runTitle: "Boardwalk over the Bog", alias: "Misty Heron", state: "waiting" } as FoundEntry],
};
const words = (typed: string): readonly string[] => placesFor(typed, { ...known, entries: [] }).map((place) => place.words);

describe("find or go to", () => {
  it("takes all the words typed, in any order and case, and nothing that was put away", () => {
    expect(words("sift BOG")).toEqual(["Boardwalk over the Bog: sift"]);
    expect(words("card")).toEqual(["Thin card: in the store room"]);
    expect(words("reed")).toEqual(["Reed Raft Rescue: brief", "Reed Raft Rescue: sift", "Reedbank Papers: supplier"]);
    expect(placesFor("sedge", { ...known, entries: [] })).toEqual([{ words: "Marsh Sedge: planner", to: "/house" }]);
    expect(words("zebra")).toEqual([]);
    expect(words("").slice(0, 6)).toEqual(["Season", "Calendar of the house", "Floor", "Buying", "Store room", "House"]);
    expect(words("")).toHaveLength(9);
  });

  it("leads from a bag's code to its crate, of a session or of the run itself", () => {
    expect(placesFor(` ${crateCode("saturday").toLowerCase()}-017`, known)[0]).toEqual({
      words: `Boardwalk over the Bog: the crate with code ${crateCode("saturday")}`,
      to: "/run/walk/crate",
    });
    expect(placesFor("heron", known)[0]).toEqual({
      words: "Misty Heron: entry of Boardwalk over the Bog, waiting",
      to: "/run/walk/sift?entry=e",
    });
    expect(placesFor(crateCode("raft"), known)[0]?.to).toBe("/run/raft/crate");
  });
});
