import type { GroupDoc, LetterDoc, MineDoc, OutboxPage, RunDoc } from "@lampcrate/contract";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { ClockWatch, trustClock } from "../src/jobs/clockWatch.ts";
import { keepPromises } from "../src/jobs/keepPromises.ts";
import { keepWriting } from "../src/jobs/keepWriting.ts";
import { writeLetters } from "../src/services/outbox/writeLetters.ts";
import { everything, goodEntry, makeRun, openTestHouse, password, sendTo, settings, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
});
afterEach(() => house.close());

/** At an instant, everything is written that is due. */
const at = (iso: string): Promise<number> => {
  house.at(iso);
  return writeLetters(house.deps);
};
const behind = async <T>(path: string, secret: string): Promise<T> =>
  (await house.ask("GET", `/api/public/${path}`, undefined, { cookie: null, headers: { "x-entry-secret": secret } })).body as T;
const lettersOf = async (name: string): Promise<readonly LetterDoc[]> =>
  (await behind<MineDoc>("mine", goodEntry(name).secret)).letters.map(({ id: _, ...one }) => one as LetterDoc);
const kindsOf = async (name: string): Promise<readonly string[]> => (await lettersOf(name)).map(({ kind }) => kind);
const mine = (name: string, method: string, path = "") =>
  house.ask(method, `/api/public/mine${path}`, undefined, { cookie: null, headers: { "x-entry-secret": goodEntry(name).secret } });
/** Behind a sign-in that is young, whatever the clock says. */
const asStaff = async <T>(path: string): Promise<T> =>
  (await house.ask("GET", `/api/runs/${run.id}/outbox${path}`, undefined, { cookie: await house.signIn("pat", password) })).body as T;
const group = {
  id: "group-otters-".padEnd(24, "x"),
  secret: "secret-group-".padEnd(32, "y"),
  ageBand: null,
  consentKeep: true,
  consentVersion: "en-1",
  rows: [1, 2, 3].map((row) => ({ id: `builder-${row}-`.padEnd(24, "x"), row, versions: goodEntry("row").versions })),
};
const sendGroup = () => house.ask("POST", `/api/public/runs/${encodeURIComponent(run.code ?? "")}/groups`, group, { cookie: null });

describe("thanks", () => {
  it("go to each family once, in its own language, and say until when it can be put right", async () => {
    await sendTo(house, run, goodEntry("english"));
    await sendTo(house, run, goodEntry("spanish", { consentVersion: "es-1" }));
    expect([await at("2026-11-25T10:01:00Z"), await at("2026-11-25T10:02:00Z")]).toEqual([2, 0]);
    expect(await lettersOf("english")).toEqual([
      {
        kind: "thanks",
        at: Date.parse("2026-11-25T10:01:00Z"),
        subject: "Thank you for what you measured: Spinners",
        body: expect.stringContaining("put it right until the end of Sunday 20 December 2026"),
      },
    ]);
    expect((await lettersOf("spanish"))[0]?.body).toContain("domingo, 20 de diciembre de 2026");
  });

  it("go to a group's leader, not to each of its builders; to nobody who has taken theirs out; for no house trial", async () => {
    await sendGroup();
    await sendTo(house, run, goodEntry("gone"));
    await mine("gone", "POST", "/withdraw");
    expect(await at("2026-11-25T10:01:00Z")).toBe(1);
    expect((await behind<GroupDoc>("group", group.secret)).letters.map(({ kind }) => kind)).toEqual(["thanks"]);
    expect((await behind<MineDoc>("mine", `${group.secret}~2`)).letters).toEqual([]);
    expect((await asStaff<OutboxPage>("")).lines).toEqual([expect.objectContaining({ alias: null, builders: 3, kind: "thanks" })]);
  });

  it("are not written for what came weeks ago, nor while the clock is not trusted", async () => {
    await sendTo(house, run, goodEntry("old"));
    new ClockWatch(house.deps).look();
    house.at("2026-12-15T09:00:00Z");
    const watch = new ClockWatch(house.deps);
    expect(watch.look()).toContain("no letter is written");
    await sendTo(house, run, goodEntry("new"));
    expect(await writeLetters(house.deps)).toBe(0);
    house.deps.db.$client.exec("update clock_watch set held = null");
    expect(await writeLetters(house.deps)).toBe(1);
    expect([await kindsOf("old"), await kindsOf("new")]).toEqual([[], ["thanks"]]);
  });
});

describe("a reminder", () => {
  beforeEach(async () => {
    const now = (await house.ask("GET", "/api/house")).body as { gathering: object };
    await house.ask("PUT", "/api/house", { ...now, gathering: { ...now.gathering, remindDays: [7, 3] } });
    await sendTo(house, run, goodEntry("early"));
    await at("2026-11-25T10:01:00Z");
  });

  it("goes out in the morning of each of its days, once, to those who had sent by then", async () => {
    expect([await at("2026-12-13T07:59:00Z"), await at("2026-12-13T08:00:00Z"), await at("2026-12-13T09:00:00Z")]).toEqual([0, 1, 0]);
    await sendTo(house, run, goodEntry("late"));
    expect(await at("2026-12-14T08:00:00Z")).toBe(1);
    expect([await kindsOf("early"), await kindsOf("late")]).toEqual([["reminder", "thanks"], ["thanks"]]);
    expect((await lettersOf("early"))[0]).toMatchObject({
      subject: "Entries close on Sunday 20 December 2026: Spinners",
      body: expect.stringMatching(/^Entries close at the end of Sunday 20 December 2026\. Until then/),
    });
    expect(await at("2026-12-17T08:00:00Z")).toBe(2);
  });

  it("is the latest alone where a house was away on its days, and none once entries have closed", async () => {
    expect(await at("2026-12-18T12:00:00Z")).toBe(1);
    await sendTo(house, run, goodEntry("late"));
    expect(await at("2026-12-21T12:00:00Z")).toBe(1);
    expect([await kindsOf("early"), await kindsOf("late")]).toEqual([["reminder", "thanks"], ["thanks"]]);
  });
});

it("says that the reveal is up on its morning, once, and where; not of one that was up long ago", async () => {
  await sendTo(house, run, goodEntry("waits"));
  await at("2026-11-25T10:01:00Z");
  await at("2026-12-23T10:00:00Z");
  expect([await at("2026-12-24T07:59:00Z"), await at("2026-12-24T08:00:00Z"), await at("2026-12-25T08:00:00Z")]).toEqual([0, 1, 0]);
  const told = (await lettersOf("waits"))[0];
  expect(told).toMatchObject({ kind: "reveal", subject: "The reveal is up: Spinners" });
  expect(told?.body).toContain(`https://builds.example/h/${run.code?.toLowerCase().split(" ")[0]}`);
  expect(everything(house)).toContain("wrote 1 letter of Spinners: the reveal is up");
  house.deps.db.$client.exec("delete from letter");
  expect(await at("2027-01-08T08:00:00Z")).toBe(0);
});

it("go with an entry that is erased, and with an alias that is let go of", async () => {
  await sendTo(house, run, goodEntry("erased"));
  await sendTo(house, run, goodEntry("anonymous"));
  await sendGroup();
  const watch = new ClockWatch(house.deps);
  watch.look();
  expect(await at("2026-11-25T10:01:00Z")).toBe(3);
  const left = (): unknown => house.deps.db.$client.prepare("select count(*) from letter_to").pluck().get();
  await mine("erased", "DELETE");
  expect(left()).toBe(2);
  for (const day of ["2027-03-16T23:01:00Z", "2027-03-23T23:02:00Z"]) {
    house.pass(Date.parse(day) - house.deps.clock());
    await keepPromises(house.deps, watch);
  }
  expect(left()).toBe(0);
});

describe("the server by itself", () => {
  it("writes at once and every minute, but not while its clock is not trusted", async () => {
    await sendTo(house, run, goodEntry("first"));
    vi.useFakeTimers({ toFake: ["setInterval", "clearInterval"] });
    const end = keepWriting(house.deps, new ClockWatch(house.deps));
    const minute = (): void => {
      house.pass(60_000);
      vi.advanceTimersByTime(60_000);
    };
    try {
      await expect.poll(() => kindsOf("first")).toEqual(["thanks"]);
      await sendTo(house, run, goodEntry("second"));
      minute();
      await expect.poll(() => kindsOf("second")).toEqual(["thanks"]);
      // Weeks on in a moment: a reminder would be due.
      house.at("2026-12-17T12:00:00Z");
      minute();
      await new Promise((rest) => setTimeout(rest, 50));
      expect(await kindsOf("first")).toEqual(["thanks"]);
      trustClock(house.deps, null);
      minute();
      await expect.poll(() => kindsOf("first")).toEqual(["reminder", "thanks"]);
    } finally {
      await end();
      vi.useRealTimers();
    }
  });
});

describe("the outbox", () => {
  const ask = (name: string, words: string) =>
    house.ask("POST", `/api/runs/${run.id}/entries/${goodEntry(name).id}/asks`, { revision: 1, words });

  it("has all that a run's families were written, the newest first, by kind, page by page", async () => {
    for (let i = 0; i < 70; i += 1) await sendTo(house, run, goodEntry(`many${i}`));
    await at("2026-11-25T10:01:00Z");
    house.at("2026-11-25T10:05:00Z");
    await ask("many3", "From where did you drop it?");
    const first = await asStaff<OutboxPage>("");
    expect(first).toMatchObject({ total: 71, next: 60, counts: { question: 1, thanks: 70, reminder: 0, reveal: 0 } });
    expect(first.lines[0]).toMatchObject({ kind: "question", subject: "A question about what you measured", language: "en" });
    expect(first.lines[0]?.body).toMatch(/^From where did you drop it\?\n\nAnswer it behind your private link\./);
    const rest = await asStaff<OutboxPage>("?from=60");
    expect(new Set([...first.lines, ...rest.lines].map(({ id }) => id)).size).toBe(71);
    expect(await asStaff<OutboxPage>("?kind=question")).toMatchObject({ total: 1, next: null });
    for (const bad of ["?kind=spam", "?from=-1"]) expect(await asStaff(bad)).toMatchObject({ status: 422 });
    expect(await asStaff("/letter-99999")).toMatchObject({ status: 404 });
    const other = await makeRun(house, { title: "Others" });
    const { body } = await house.ask("GET", `/api/runs/${other.id}/outbox`);
    expect(body).toMatchObject({ total: 0, lines: [] });
    expect((await house.ask("GET", `/api/runs/${other.id}/outbox/${first.lines[5]?.id}`)).status).toBe(404);
  });

  it("is written out as mail that other programs read, and that can't leave them", async () => {
    await house.ask("PUT", `/api/runs/${run.id}`, settings(run, { title: "Semillas con alas, ¿qué?" }));
    for (let i = 0; i < 205; i += 1) await sendTo(house, run, goodEntry(`mail${i}`));
    await at("2026-11-25T10:01:00Z");
    await ask("mail7", "From where?\nFrom the top, >From here");
    const { lines } = await asStaff<OutboxPage>("?kind=question");
    const eml = await house.ask("GET", `/api/runs/${run.id}/outbox/${lines[0]?.id}`);
    expect(eml.headers.get("content-type")).toContain("message/rfc822");
    expect(eml.body).toMatch(/^From: Test House <house@lamp-crate\.invalid>$/m);
    expect(eml.body).toMatch(new RegExp(`^To: ${lines[0]?.alias} <[a-z-]+@entries\\.invalid>$`, "m"));
    expect(eml.body).toMatch(/^Date: Wed, 25 Nov 2026 10:01:00 \+0000$/m);
    const box = await asStaff<string>(".mbox");
    expect(box.match(/^From house@lamp-crate\.invalid Wed Nov 25 10:01:00 2026$/gm)).toHaveLength(206);
    expect(box.match(/^Message-ID: /gm)).toHaveLength(206);
    expect(box).toContain("\n>From where?\n>From the top, >From here\n");
    expect(box).toContain("=?UTF-8?Q?");
  });

  it("is for those who sift", async () => {
    await house.ask("POST", "/api/staff", { name: "Flo", signIn: "floor", role: "floor", active: true, password });
    const floor = await house.signIn("floor", password);
    for (const path of ["", ".mbox", "/letter-1"])
      for (const [cookie, status] of [
        [null, 401],
        [floor, 403],
      ] as const)
        expect((await house.ask("GET", `/api/runs/${run.id}/outbox${path}`, undefined, { cookie })).status).toBe(status);
  });
});
