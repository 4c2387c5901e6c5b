import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import {
  blankTrial,
  type EntryDoc,
  type EntryInput,
  type EntryPage,
  type MaterialDoc,
  type MaterialInput,
  plainMaterial,
  type RunDoc,
} from "@lampcrate/contract";
import type { Hono } from "hono";
import { pino } from "pino";
import { createApp, openDatabase, reckonHere, type Served } from "../src/index.ts";

/** A real application on a real SQLite file, with a clock that can be set. */
export interface TestHouse {
  readonly app: Hono;
  readonly deps: Served;
  /** Sets the machine's clock. */
  readonly at: (iso: string) => void;
  /** Time passes, on every clock. */
  readonly pass: (ms: number) => void;
  /** Asks as the signed-in planner, or with another cookie (null: nobody). */
  readonly ask: (
    method: string,
    path: string,
    body?: unknown,
    options?: { cookie?: string | null; headers?: Record<string, string> },
  ) => Promise<{ status: number; body: unknown; headers: Headers }>;
  readonly signIn: (signIn: string, password: string) => Promise<string>;
  /** The file and the log beside it, byte for byte. */
  readonly bytes: () => string;
  readonly close: () => void;
}

export const password = "a long enough word";

export const room = { id: "marsh-room", name: "Marsh Room", lengthM: 12, widthM: 8, heightM: 3, seats: 40, water: true, floor: "hard" };
export const loft = { ...room, id: "weather-loft", name: "Weather Loft" };

/** Makes a house with one planner and two rooms, pinned to a Wednesday. */
export async function openTestHouse({ setUp = true } = {}): Promise<TestHouse> {
  const folder = mkdtempSync(join(tmpdir(), "lampcrate-test-"));
  let now = Date.parse("2026-11-25T10:00:00Z");
  let steady = 0;
  const db = openDatabase(folder);
  const deps: Served = {
    db,
    clock: () => now,
    steady: () => steady,
    log: pino({ level: "silent" }),
    url: "http://localhost:8150",
    setupCode: "1234-5678",
    web: null,
    data: folder,
    erasureFolders: [folder],
    reckon: reckonHere(db, folder),
    pageMarkup: null,
    proxies: 1,
    ownAddresses: ["198.51.100.7"],
  };
  const app = createApp(deps);
  let planner = "";
  const ask: TestHouse["ask"] = async (method, path, body, { cookie = planner, headers = {} } = {}) => {
    const raw = typeof body === "string" ? body : body === undefined ? undefined : JSON.stringify(body);
    const answer = await app.request(path, {
      method,
      headers: { ...(raw === undefined ? {} : { "content-type": "application/json" }), ...(cookie ? { cookie } : {}), ...headers },
      ...(raw === undefined ? {} : { body: raw }),
    });
    const text = await answer.text();
    return {
      status: answer.status,
      body: answer.headers.get("content-type")?.includes("json") ? JSON.parse(text) : text,
      headers: answer.headers,
    };
  };
  const signIn = async (name: string, word: string): Promise<string> => {
    const { headers } = await ask("POST", "/api/sign-in", { signIn: name, password: word }, { cookie: null });
    return headers.get("set-cookie")?.split(";")[0] ?? "";
  };
  if (setUp) {
    await ask(
      "POST",
      "/api/setup",
      {
        code: "1234-5678",
        houseName: "Test House",
        zone: "CET",
        currency: "EUR",
        units: "metric",
        publicUrl: "https://builds.example/",
        name: "Pat Planner",
        signIn: "pat",
        password,
      },
      { cookie: null },
    );
    planner = await signIn("pat", password);
    const house = (await ask("GET", "/api/house")).body as Record<string, unknown>;
    await ask("PUT", "/api/house", { ...house, rooms: [room, loft] });
  }
  return {
    app,
    deps,
    ask,
    signIn,
    at: (iso) => {
      now = Date.parse(iso);
    },
    pass: (ms) => {
      now += ms;
      steady += ms;
    },
    bytes: () => ["lampcrate.sqlite", "lampcrate.sqlite-wal"].map((name) => readFileSync(join(folder, name), "latin1")).join(""),
    close: () => {
      deps.db.$client.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** A run of the descent family; published when told to. */
export async function makeRun(house: TestHouse, { publish = true, title = "Spinners", kind = "at-home" } = {}): Promise<RunDoc> {
  const { id } = (await house.ask("POST", "/api/runs", { title, kind, family: "descent" })).body as { id: string };
  const run = (await house.ask("GET", `/api/runs/${id}`)).body as RunDoc;
  await house.ask("PUT", `/api/runs/${id}`, settings(run, { opensOn: "2026-11-20", closesOn: "2026-12-20", revealOn: "2026-12-24" }));
  if (publish) await house.ask("POST", `/api/runs/${id}/publish`);
  return (await house.ask("GET", `/api/runs/${id}`)).body as RunDoc;
}

/** The run's settings as they are saved, with changes. */
export function settings(run: RunDoc, patch: Partial<RunDoc> = {}): Record<string, unknown> {
  const { revision, title, kind, opensOn, closesOn, revealOn, scoring, units, heads, afterwards, rehearsal } = { ...run, ...patch };
  return { revision, title, kind, opensOn, closesOn, revealOn, scoring, units, heads, afterwards, rehearsal };
}

/** A material put into the store room: counted in pieces, plain, in packs of 25, unless told otherwise. */
export async function addMaterial(house: TestHouse, name: string, patch: Partial<MaterialInput> = {}): Promise<MaterialDoc> {
  const plain: MaterialInput = { ...plainMaterial, name, packSize: 25, packPriceCents: 1150, onHand: 40 };
  return (await house.ask("POST", "/api/materials", { ...plain, ...patch })).body as MaterialDoc;
}

/** A good entry from home. */
export function goodEntry(name: string, patch: Partial<EntryInput> = {}): EntryInput {
  const version = (raws: readonly string[], sizeM: number) => ({
    role: "build" as const,
    changed: "wings",
    madeOf: "paper",
    pictures: [],
    variables: { kind: "spinner", sizeM },
    guess: "1.5",
    guessed: "before" as const,
    place: "indoors" as const,
    trials: raws.map((raw) => ({ ...blankTrial("hand stopwatch"), raw })),
  });
  return {
    id: `entry-${name}-`.padEnd(24, "x"),
    secret: `secret-${name}-`.padEnd(32, "y"),
    ageBand: "9 to 11",
    consentKeep: true,
    consentPhoto: false,
    consentVersion: "en-1",
    said: "",
    tokens: [],
    timer: null,
    answers: [],
    versions: [version(["1.20", "1.24", "1.18"], 0.07), version(["1.60", "1.66", "1.58"], 0.1)],
    ...patch,
  };
}

/** Sends an entry to a run as a family does: nobody is signed in. */
export function sendTo(house: TestHouse, run: Pick<RunDoc, "code">, entry: unknown): ReturnType<TestHouse["ask"]> {
  return house.ask("POST", `/api/public/runs/${encodeURIComponent(run.code ?? "")}/entries`, entry, { cookie: null });
}

/** The first page of what was sent to a run. */
export async function entriesOf(house: TestHouse, runId: string): Promise<readonly EntryDoc[]> {
  return ((await house.ask("GET", `/api/runs/${runId}/entries`)).body as EntryPage).entries;
}

/** Every row of the database, to show that nothing was written; without the trail, which also tells of refusals, if so wanted. */
export function everything(house: TestHouse, { trail = true } = {}): string {
  const tables = house.deps.db.$client
    .prepare("select name from sqlite_master where type = 'table' and name not like 'sqlite_%' and name <> 'signed_in' order by name")
    .pluck()
    .all() as string[];
  return JSON.stringify(
    tables
      .filter((table) => trail || table !== "audit")
      .map((table) => [table, house.deps.db.$client.prepare(`select * from "${table}"`).all()]),
  );
}
