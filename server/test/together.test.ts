import type { AcceptedDoc, EntryDoc, HoldDoc, ProblemDoc, RunDoc } from "@lampcrate/contract";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { entriesOf, goodEntry, makeRun, openTestHouse, password, sendTo, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
});
afterEach(() => house.close());

const states = async (): Promise<Record<string, string>> =>
  Object.fromEntries((await entriesOf(house, run.id)).map(({ id, state }) => [id.split("-")[1], state]));
const accept = (entries: readonly Pick<EntryDoc, "id" | "revision">[], cookie?: string) =>
  house.ask(
    "POST",
    `/api/runs/${run.id}/entries/accepted`,
    { entries: entries.map(({ id, revision }) => ({ id, revision })) },
    cookie === undefined ? {} : { cookie },
  );
/** One who sifts beside the planner. */
async function secondSifter(): Promise<string> {
  await house.ask("POST", "/api/staff", { name: "Fen Plover", signIn: "fen", role: "sifter", active: true, password });
  return house.signIn("fen", password);
}

describe("entries with nothing to look at", () => {
  it("are accepted together; what is odd, has words, was changed or is unknown is left as it is", async () => {
    for (const name of ["heron", "newt", "otter"]) await sendTo(house, run, goodEntry(name));
    await sendTo(
      house,
      run,
      goodEntry("odd", {
        versions: goodEntry("odd").versions.map((v) => ({ ...v, trials: v.trials.map((t) => ({ ...t, raw: "16.1" })) })),
      }),
    );
    await sendTo(house, run, goodEntry("words", { said: "We dropped it on the cat." }));
    const entries = await entriesOf(house, run.id);
    const stale = entries.map((one) => (one.id.includes("otter") ? { ...one, revision: 7 } : one));
    const { accepted, left } = (await accept([...stale, { id: "entry-nobody-xxxxxxxxxxxx", revision: 1 }])).body as AcceptedDoc;
    expect(accepted.map((id) => id.split("-")[1])).toEqual(["heron", "newt"]);
    expect(left).toBe(4);
    expect(await states()).toEqual({ heron: "accepted", newt: "accepted", otter: "waiting", odd: "waiting", words: "waiting" });
  });

  it("are one step to undo, and one to do again", async () => {
    for (const name of ["heron", "newt", "otter"]) await sendTo(house, run, goodEntry(name));
    await accept(await entriesOf(house, run.id));
    expect(((await house.ask("POST", `/api/runs/${run.id}/undo`)).body as { undone: string }).undone).toBe("accepted 3 entries at once");
    expect(await states()).toEqual({ heron: "waiting", newt: "waiting", otter: "waiting" });
    await house.ask("POST", `/api/runs/${run.id}/redo`);
    expect(await states()).toEqual({ heron: "accepted", newt: "accepted", otter: "accepted" });
  });

  it("are two hundred at most, and at least one", async () => {
    const many = Array.from({ length: 201 }, (_, i) => ({ id: `entry-${i}-xxxxxxxx`, revision: 1 }));
    expect((await accept(many)).status).toBe(422);
    expect((await accept([])).status).toBe(422);
  });
});

describe("an entry that a sifter has opened", () => {
  const hold = async (id: string, cookie?: string): Promise<string | null> =>
    ((await house.ask("POST", `/api/runs/${run.id}/entries/${id}/hold`, undefined, cookie === undefined ? {} : { cookie })).body as HoldDoc)
      .by;
  const decide = (id: string, revision: number, cookie?: string) =>
    house.ask(
      "POST",
      `/api/runs/${run.id}/entries/${id}/decision`,
      { decision: "accepted", why: "", revision },
      cookie === undefined ? {} : { cookie },
    );

  it("is theirs for five minutes, or until they open another: nobody else decides it meanwhile, alone or with others", async () => {
    const fen = await secondSifter();
    for (const name of ["heron", "newt"]) await sendTo(house, run, goodEntry(name));
    const [heron, newt] = await entriesOf(house, run.id);
    if (!heron || !newt) throw new Error("two were sent");
    expect(await hold(heron.id, fen)).toBeNull();
    expect(await hold(heron.id)).toBe("Fen Plover");
    const refused = await decide(heron.id, 1);
    expect([refused.status, (refused.body as ProblemDoc).detail]).toEqual([
      409,
      expect.stringContaining("Fen Plover is looking at this entry."),
    ]);
    expect(((await accept([heron, newt])).body as AcceptedDoc).accepted).toEqual([newt.id]);
    house.pass(5 * 60_000);
    expect(await hold(heron.id)).toBeNull();
    expect(await hold(heron.id, fen)).toBe("Pat Planner");
    await hold(newt.id);
    expect(await hold(heron.id, fen)).toBeNull();
    expect((await decide(heron.id, 1, fen)).status).toBe(200);
  });
});
