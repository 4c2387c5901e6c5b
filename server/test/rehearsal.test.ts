import type { RunDoc } from "@lampcrate/contract";
import { type DropIn, usualDay } from "@lampcrate/core";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { everything, makeRun, openTestHouse, settings, type TestHouse } from "./house.ts";

let house: TestHouse;
beforeEach(async () => {
  house = await openTestHouse();
});
afterEach(() => house.close());

const day: DropIn = usualDay({
  minutes: 240,
  builders: 60,
  unit: "builder",
  seats: 24,
  kits: null,
  rigs: 2,
  buildMinutes: 18,
  trials: 3,
  minutesPerTrial: 0.7,
  rebuildChance: 0.4,
  mostRebuilds: 2,
});
const targets = [{ what: "turnedAway" as const, atMost: 0.05 }];
const read = async (id: string): Promise<RunDoc> => (await house.ask("GET", `/api/runs/${id}`)).body as RunDoc;
const fieldsOf = (body: unknown): string[] => (body as { errors: { field: string }[] }).errors.map(({ field }) => field);

describe("a rehearsed day", () => {
  it("is kept with its run, and undone", async () => {
    const run = await makeRun(house);
    expect(run.rehearsal).toBeNull();
    const saved = await house.ask("PUT", `/api/runs/${run.id}`, settings(run, { rehearsal: { day, targets } }));
    expect(saved.status).toBe(200);
    expect((await read(run.id)).rehearsal).toEqual({ day, targets });
    expect((await read(run.id)).undo).toBe("changed the rehearsed day");
    await house.ask("POST", `/api/runs/${run.id}/undo`);
    expect((await read(run.id)).rehearsal).toBeNull();
  });

  it("is refused by its field where it can't be, and nothing is written", async () => {
    const run = await makeRun(house);
    const before = everything(house);
    const wrong = async (patch: Partial<DropIn>, asked: unknown = targets) => {
      const rehearsal = { day: { ...day, ...patch }, targets: asked };
      const { status, body } = await house.ask("PUT", `/api/runs/${run.id}`, settings(run, { rehearsal } as Partial<RunDoc>));
      expect(status).toBe(422);
      return fieldsOf(body);
    };
    expect(await wrong({ weights: [0, 0] })).toEqual(["rehearsal.day.weights"]);
    expect(await wrong({ seats: -1 })).toEqual(["rehearsal.day.seats"]);
    expect(await wrong({ lastEntryMin: 300 })).toEqual(["rehearsal.day.lastEntryMin"]);
    expect(await wrong({ build: { ...day.build, meanMin: -2 } })).toEqual(["rehearsal.day.build.meanMin"]);
    expect(await wrong({}, [{ what: "turnedAway", atMost: 3 }])).toEqual(["rehearsal.targets[0].atMost"]);
    expect(everything(house)).toBe(before);
  });
});
