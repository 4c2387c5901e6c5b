import type { RunDoc } from "@lampcrate/contract";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { entriesOf, goodEntry, makeRun, openTestHouse, password, sendTo, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;

beforeAll(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
  for (const role of ["sifter", "floor"]) await house.ask("POST", "/api/staff", { name: role, signIn: role, role, active: true, password });
});
afterAll(() => house.close());

describe("without signing in", () => {
  it.each([
    "/api/season",
    "/api/house",
    "/api/staff",
    "/api/materials",
    "/api/bookings",
    "/api/runs/ID",
    "/api/runs/ID/entries",
    "/api/runs/ID/findings",
    "/api/runs/ID/trials.csv",
    "/api/runs/ID/sheet",
    "/api/runs/ID/reveal",
  ])("%s stays shut", async (path) => {
    expect((await house.ask("GET", path.replace("ID", run.id), undefined, { cookie: null })).status).toBe(401);
  });

  it("shows a published run's sheet, its QR and nothing of a draft", async () => {
    const draft = await makeRun(house, { publish: false, title: "Hidden" });
    const sheet = await house.ask("GET", `/api/public/runs/${run.code?.toLowerCase().replaceAll(" ", "-")}`, undefined, { cookie: null });
    expect(sheet.status).toBe(200);
    expect(JSON.stringify(sheet.body)).not.toContain('lines":[{"id"');
    expect(draft.code).toBeNull();
    const svg = (await house.ask("GET", `/api/public/runs/${encodeURIComponent(run.code ?? "")}/qr.svg`, undefined, { cookie: null })).body;
    expect(svg).toContain("<svg");
  });

  it("keeps the reveal shut before its day", async () => {
    const path = `/api/public/runs/${encodeURIComponent(run.code ?? "")}/reveal`;
    expect((await house.ask("GET", path, undefined, { cookie: null })).status).toBe(403);
    house.at("2026-12-24T08:00:00Z");
    expect((await house.ask("GET", path, undefined, { cookie: null })).status).toBe(200);
    house.at("2026-11-25T10:00:00Z");
  });
});

describe("roles", () => {
  it("let a sifter sift, and no more; a floor lead look, and no more", async () => {
    const [sifter, floor] = [await house.signIn("sifter", password), await house.signIn("floor", password)];
    const status = async (cookie: string, method: string, path: string, body?: unknown) =>
      (await house.ask(method, path, body, { cookie })).status;
    expect(await status(sifter, "GET", `/api/runs/${run.id}/entries`)).toBe(200);
    expect(await status(sifter, "POST", `/api/runs/${run.id}/publish`)).toBe(403);
    expect(await status(sifter, "GET", "/api/staff")).toBe(403);
    expect(await status(floor, "GET", "/api/season")).toBe(200);
    expect(await status(floor, "GET", `/api/runs/${run.id}/entries`)).toBe(403);
  });

  it("keeps the last planner a planner", async () => {
    const people = (await house.ask("GET", "/api/staff")).body as { id: string; signIn: string }[];
    const pat = people.find((person) => person.signIn === "pat");
    const answer = await house.ask("PUT", `/api/staff/${pat?.id}`, { name: "Pat", signIn: "pat", role: "sifter", active: true });
    expect(answer.status).toBe(422);
  });
});

describe("signing in", () => {
  it("gives an HttpOnly SameSite cookie of which only a hash is kept, and ends after twelve hours", async () => {
    const answer = await house.ask("POST", "/api/sign-in", { signIn: "pat", password }, { cookie: null });
    const cookie = answer.headers.get("set-cookie") ?? "";
    expect(cookie).toMatch(/HttpOnly/i);
    expect(cookie).toMatch(/SameSite=Lax/i);
    const secret = cookie.split(";")[0]?.split("=")[1] ?? "";
    expect(house.deps.db.$client.prepare("select count(*) from signed_in where token_hash = ?").pluck().get(secret)).toBe(0);
    house.at("2026-11-25T22:00:01Z");
    expect((await house.ask("GET", "/api/season", undefined, { cookie: cookie.split(";")[0] ?? "" })).status).toBe(401);
    house.at("2026-11-25T10:00:00Z");
  });

  it("keeps passwords as argon2id", () => {
    expect(
      house.deps.db.$client
        .prepare("select password_hash from staff")
        .pluck()
        .all()
        .every((hash) => String(hash).startsWith("$argon2id$")),
    ).toBe(true);
  });

  it("stops guessing after eight tries, for that name alone, and lets in again later", async () => {
    const attempt = async (name: string, word: string) =>
      (await house.ask("POST", "/api/sign-in", { signIn: name, password: word }, { cookie: null })).status;
    for (let i = 0; i < 8; i += 1) expect(await attempt("sifter", "wrong wrong wrong")).toBe(422);
    expect(await attempt("sifter", password)).toBe(429);
    expect(await attempt("floor", password)).toBe(200);
    house.pass(15 * 60_000 + 1000);
    expect(await attempt("sifter", password)).toBe(200);
    house.at("2026-11-25T10:00:00Z");
  });

  it("ends a person's sessions with their password", async () => {
    const cookie = await house.signIn("floor", password);
    const people = (await house.ask("GET", "/api/staff")).body as { id: string; signIn: string }[];
    await house.ask("PUT", `/api/staff/${people.find((p) => p.signIn === "floor")?.id}`, {
      name: "floor",
      signIn: "floor",
      role: "floor",
      active: true,
      password: "another long word",
    });
    expect((await house.ask("GET", "/api/season", undefined, { cookie })).status).toBe(401);
  });
});

describe("other sites' pages", () => {
  it("can't write: by the browser's word, or by an origin that is not ours", async () => {
    const attempt = async (headers: Record<string, string>) =>
      (await house.ask("POST", `/api/runs/${run.id}/publish`, undefined, { headers })).status;
    expect(await attempt({ "sec-fetch-site": "cross-site" })).toBe(403);
    expect(await attempt({ "sec-fetch-site": "same-site" })).toBe(403);
    expect(await attempt({ origin: "https://elsewhere.example", host: "localhost" })).toBe(403);
    expect(await attempt({ origin: "null", host: "localhost" })).toBe(403);
    expect(await attempt({ origin: "http://localhost", host: "localhost" })).toBe(200);
    expect(await attempt({ "sec-fetch-site": "same-origin" })).toBe(200);
  });
});

describe("other sites' pages, with JSON", () => {
  it.each([
    { "sec-fetch-site": "cross-site" },
    { origin: "https://elsewhere.example", host: "localhost" },
    { origin: "null", host: "localhost" },
  ])("are refused before anything is read: %o", async (headers) => {
    const refused = await house.ask("POST", "/api/runs", { title: "" }, { headers: headers as Record<string, string> });
    expect(refused).toMatchObject({ status: 403, body: { title: "Not from here" } });
    expect((await house.ask("POST", "/api/runs", { title: "" }, { headers: { "sec-fetch-site": "same-origin" } })).status).toBe(422);
    expect((await house.ask("GET", "/api/season", undefined, { headers: headers as Record<string, string> })).status).toBe(200);
  });
});

describe("the private link", () => {
  it("shows, corrects, withdraws and erases one's own entry, and keeps only its hash", async () => {
    const entry = goodEntry("private");
    const headers = { "x-entry-secret": entry.secret };
    const rows = (): unknown[] =>
      ["entry", "version", "trial", "consent", "correction"].map((table) =>
        house.deps.db.$client.prepare(`select count(*) from "${table}"`).pluck().get(),
      );
    const before = rows();
    await sendTo(house, run, entry);
    expect(house.deps.db.$client.prepare("select count(*) from entry where link_hash = ?").pluck().get(entry.secret)).toBe(0);
    const mine = async (method: string, path = "", body?: unknown) =>
      house.ask(method, `/api/public/mine${path}`, body, { cookie: null, headers });
    const seen = (await mine("GET")).body as { entry: { revision: number; versions: unknown[] } };
    expect(seen.entry.versions).toHaveLength(2);
    const corrected = await mine("PUT", "", { revision: 1, ageBand: null, said: "", versions: entry.versions.slice(0, 1) });
    expect(corrected.body).toMatchObject({ entry: { revision: 2, state: "waiting", versions: [{ number: 1 }] } });
    expect((await mine("PUT", "", { revision: 1, ageBand: null, said: "", versions: entry.versions })).status).toBe(409);
    expect((await mine("POST", "/withdraw")).body).toMatchObject({ entry: { state: "withdrawn" } });
    expect((await entriesOf(house, run.id)).some((e) => e.id === entry.id)).toBe(false);
    expect((await mine("DELETE")).status).toBe(200);
    expect((await mine("GET")).status).toBe(404);
    expect(rows()).toEqual(before);
  });
});
