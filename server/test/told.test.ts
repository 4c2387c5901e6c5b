import {
  blankTrial,
  type EntryDoc,
  type FindingsDoc,
  type MineDoc,
  type ProblemDoc,
  type RevealDoc,
  type RunDoc,
  type SheetDoc,
} from "@lampcrate/contract";
import { usualLine } from "@lampcrate/core";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { addMaterial, entriesOf, goodEntry, makeRun, openTestHouse, password, sendTo, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
});
afterEach(() => house.close());

const path = (rest = ""): string => `/api/public/runs/${encodeURIComponent(run.code ?? "")}${rest}`;
const decide = (id: string, decision: string, revision: number, why = "") =>
  house.ask("POST", `/api/runs/${run.id}/entries/${id}/decision`, { decision, why, revision });
const findings = async (): Promise<FindingsDoc> => (await house.ask("GET", `/api/runs/${run.id}/findings`)).body as FindingsDoc;
/** An entry whose second version measured these. */
const measured = (name: string, raws: readonly string[]) => {
  const entry = goodEntry(name);
  const trial = (raw: string) => ({ ...blankTrial("hand stopwatch"), raw, kept: true });
  return { ...entry, versions: entry.versions.map((v, n) => (n === 1 ? { ...v, trials: raws.map(trial) } : v)) };
};

describe("the sheet", () => {
  it("says what one may win in the brief's own words, with its numbers in them, in every language it was given in", async () => {
    const now = (await house.ask("GET", `/api/runs/${run.id}`)).body as RunDoc;
    const prize = "Who stays up {goal} may hang the build in the hall.";
    const translations = { es: { [prize]: "Quien aguante {goal} en el aire puede colgarlo en la sala." } };
    await house.ask("PUT", `/api/runs/${run.id}/brief`, {
      revision: now.briefRevision,
      words: "",
      brief: { ...now.brief, prize, translations },
    });
    expect((await house.ask("POST", `/api/runs/${run.id}/publish`)).status).toBe(200);
    const told = async (language: string): Promise<string> =>
      ((await house.ask("GET", path(), undefined, { cookie: null, headers: { "accept-language": language } })).body as SheetDoc).brief
        .prize;
    expect(await told("en")).toMatch(/^Who stays up [\d.]+\ss may hang the build in the hall\.$/);
    expect(await told("es")).toMatch(/^Quien aguante [\d,]+\ss en el aire puede/);
  });

  it("warns of what every material in the kit can do, and of none that isn't in it", async () => {
    const [hot, sharp] = [
      await addMaterial(house, "Glue gun sticks", { hazards: ["hot"] }),
      await addMaterial(house, "Skewer", { hazards: ["pointed"] }),
    ];
    const cautions = async (lines: readonly unknown[]): Promise<readonly string[]> => {
      const now = (await house.ask("GET", `/api/runs/${run.id}`)).body as RunDoc;
      await house.ask("PUT", `/api/runs/${run.id}/brief`, { revision: now.briefRevision, words: "", brief: { ...now.brief, lines } });
      expect((await house.ask("POST", `/api/runs/${run.id}/publish`)).status).toBe(200);
      return ((await house.ask("GET", path(), undefined, { cookie: null })).body as SheetDoc).cautions;
    };
    const bare = await cautions([]);
    const withHot = await cautions([usualLine("line-hot", hot.id)]);
    const both = await cautions([usualLine("line-hot", hot.id), usualLine("line-sharp", sharp.id)]);
    expect(withHot.filter((words) => !bare.includes(words))).toHaveLength(1);
    expect(both.filter((words) => !bare.includes(words))).toHaveLength(2);
    expect(both).toEqual(expect.arrayContaining([...withHot]));
  });
});

describe("values that can't be", () => {
  it("count for nothing, though the family keeps them and a sifter accepts the entry", async () => {
    await sendTo(house, run, measured("odd", ["1.60", "1.62", "161"]));
    const [entry] = await entriesOf(house, run.id);
    expect(entry?.versions[1]?.trials.map((t) => t.flag)).toEqual([null, null, "impossible"]);
    await decide(entry?.id ?? "", "accepted", 1);
    expect((await findings()).table.builders[0]).toMatchObject({ best: { low: 1.62, high: 1.62 }, last: { low: 1.61 } });
  });

  it("are told by what the version declares: a smaller wing can't fall so slowly", async () => {
    const sent = measured("small", ["3.4", "3.5"]);
    const flags = async (name: string, sizeM: number): Promise<readonly unknown[]> => {
      const entry = {
        ...measured(name, ["3.4", "3.5"]),
        versions: sent.versions.map((v) => ({ ...v, variables: { kind: "spinner", sizeM } })),
      };
      expect((await sendTo(house, run, entry)).status).toBe(201);
      const found = (await entriesOf(house, run.id)).find(({ id }) => id === entry.id);
      return found?.versions[1]?.trials.map((t) => t.flag) ?? [];
    };
    expect(await flags("wide", 0.25)).not.toEqual(await flags("narrow", 0.03));
  });
});

describe("what is decided", () => {
  it("shows the newest decision, by whom and why", async () => {
    await sendTo(house, run, goodEntry("twice"));
    const [entry] = await entriesOf(house, run.id);
    await decide(entry?.id ?? "", "set aside", 1, "looks like a joke");
    await decide(entry?.id ?? "", "accepted", 2, "it was none");
    const after = (await entriesOf(house, run.id))[0] as EntryDoc;
    expect(after).toMatchObject({ state: "accepted", decidedBy: "Pat Planner", why: "it was none" });
  });
});

describe("days that families were told", () => {
  it("keep the reveal shut until its day begins at the house, and not a minute longer", async () => {
    const reveal = () => house.ask("GET", path("/reveal"), undefined, { cookie: null });
    house.at("2026-12-23T22:59:00Z");
    const early = await reveal();
    expect([early.status, (early.body as ProblemDoc).title]).toEqual([403, expect.any(String)]);
    expect((await house.ask("GET", path("/reveal/builders?from=0"), undefined, { cookie: null })).status).toBe(403);
    house.at("2026-12-23T23:00:00Z");
    expect(((await reveal()).body as RevealDoc).entries).toBe(0);
  });

  it("close corrections with the entries: what was sent stands, and can still be taken out", async () => {
    const sent = goodEntry("late");
    await sendTo(house, run, sent);
    const mine = (method: string, rest = "", body?: unknown) =>
      house.ask(method, `/api/public/mine${rest}`, body, { cookie: null, headers: { "x-entry-secret": sent.secret } });
    const correction = { revision: 1, ageBand: null, said: "better words", versions: sent.versions };
    house.at("2026-12-20T23:00:00Z");
    const late = await mine("PUT", "", correction);
    expect([late.status, (late.body as ProblemDoc).detail]).toEqual([403, "Entries closed at the end of Sunday 20 December 2026."]);
    expect(((await mine("GET")).body as MineDoc).entry).toMatchObject({ said: sent.said, revision: 1 });
    expect((await mine("POST", "/withdraw")).status).toBe(200);
    house.at("2026-12-20T22:59:00Z");
    expect((await mine("PUT", "", { ...correction, revision: 2 })).status).toBe(200);
  });
});

describe("a sign-in", () => {
  const hour = 3_600_000;
  const season = (cookie: string) => house.ask("GET", "/api/season", undefined, { cookie });

  it("slides with use, in the house and in the browser, and ends twelve hours after the last of it", async () => {
    const cookie = await house.signIn("pat", password);
    house.pass(5 * hour);
    expect((await season(cookie)).headers.get("set-cookie")).toBeNull();
    house.pass(2 * hour);
    const slid = await season(cookie);
    expect(slid.headers.get("set-cookie")).toContain("Max-Age=43200");
    house.pass(11 * hour);
    expect((await season(cookie)).status).toBe(200);
    house.pass(12 * hour);
    expect((await season(cookie)).status).toBe(401);
  });
});
