import { usualDay, usualGathering, usualTimes } from "@lampcrate/core";
import {
  addMaterial,
  addStaff,
  type Deps,
  holdFolder,
  houseDoc,
  openDatabase,
  type Person,
  saveHouse,
  setUp,
  writeLetters,
} from "@lampcrate/server";
import { pino } from "pino";
import { boardwalk, raft, spinner } from "./briefs.ts";
import { DemoDays, zone } from "./calendar.ts";
import { boardwalkCounts } from "./counts.ts";
import { gatherDrops } from "./drops.ts";
import { boardwalkEntry, patrol, spinnerEntry } from "./entries.ts";
import { type MaterialKey, materials, people, rooms } from "./house.ts";
import { ownSpinner } from "./houseTrials.ts";
import { atHome, DemoRuns } from "./runs.ts";
import { beginFromShelf, pickUp } from "./shelf.ts";
import { stockHistory } from "./store.ts";

/** What signs in to the demo. */
export const demoSignIn = { signIn: "marsh.sedge", password: "lamplight-demo" };

const day = 86_400_000;

/**
 * Loads the made-up scenario through the application's own services, with the clock set back for what is past:
 * six weeks of history laid from `now`. Runs and entries are the same at every load; only sessions, and with them
 * the seeds of their crates, get new ids.
 */
export async function loadDemo(folder: string, now: number, url: string): Promise<void> {
  const release = holdFolder(folder, "loading the demo into");
  const db = openDatabase(folder);
  let at = now - 42 * day;
  const deps: Deps = {
    db,
    clock: () => at,
    steady: () => at,
    log: pino({ level: "silent" }),
    url,
    setupCode: "demo",
    web: null,
    data: folder,
    erasureFolders: [],
    proxies: 0,
    ownAddresses: [],
  };
  const days = new DemoDays(now);
  const planner = await makeHouse(deps, days, url);
  const store = Object.fromEntries(Object.entries(materials).map(([key, input]) => [key, addMaterial(deps, planner, input).id])) as Record<
    MaterialKey,
    string
  >;
  const run = new DemoRuns(deps, planner, store, (instant) => {
    at = Math.round(instant);
  });

  const firstFlights = run.make(
    "First flights",
    "at-home",
    spinner,
    { opensOn: days.in(-38), closesOn: days.in(-12), revealOn: days.in(-3) },
    now - 40 * day,
    atHome(34, 6),
  );
  for (const [week, helper] of [
    [-5, "ivy-curlew"],
    [-4, "rush-tern"],
  ] as const)
    run.session(firstFlights, days.saturday(week), "11:00", "library-corner", 120, atHome(30, 6), "Bags out", [helper], pickUp);
  run.publish(firstFlights);
  await run.send(firstFlights, "first", 18, (name, i) => spinnerEntry(name, i === 7 ? "decimal" : "none"), now - 36 * day, now - 13 * day);
  run.sift(firstFlights, () => true, now - 11 * day);
  await run.drawPrize(firstFlights, 3, now - 3 * day);

  const walk = run.make(
    "Boardwalk over the Bog",
    "drop-in",
    boardwalk,
    { opensOn: days.saturday(-2), closesOn: days.in(39), revealOn: days.in(43) },
    now - 30 * day,
    { model: "forecast", low: 62, likely: 85, high: 118 },
  );
  for (const week of [-2, -1, 0, 1, 2])
    run.session(
      walk,
      days.saturday(week),
      "10:00",
      "marsh-room",
      240,
      { model: "forecast", low: 62, likely: 85, high: 118, cap: 160 },
      "Saturday drop-in",
      ["marsh-sedge", "fen-plover", week === 1 ? "dune-pipit" : "moss-lark"],
    );
  run.publish(walk);
  await run.send(
    walk,
    "walk",
    13,
    (name, i) => boardwalkEntry(name, i === 9 ? "unit" : i === 10 ? "held" : i === 11 ? "heavy" : "none"),
    Math.min(now - day, days.at(days.saturday(-2), "15:00")),
    now - day / 4,
  );
  run.sift(walk, (i) => i < 8, now - day / 6);

  const seeds = run.make(
    "Seed-Wing Spinner",
    "at-home",
    spinner,
    { opensOn: days.in(-20), closesOn: days.in(16), revealOn: days.in(22) },
    now - 26 * day,
    atHome(52, 30),
  );
  run.session(seeds, days.saturday(-2), "11:00", "library-corner", 180, atHome(40, 10), "Bags out", ["rush-tern"]);
  run.session(seeds, days.saturday(0), "14:00", "library-corner", 120, atHome(36, 12), "Bags out", ["rush-tern"]);
  run.publish(seeds);
  run.tryFirst(seeds, ownSpinner, { shown: true });
  await run.send(
    seeds,
    "seed",
    26,
    (name, i) => spinnerEntry(name, ({ 21: "decimal", 23: "fast", 24: "rare" } as const)[i] ?? "none"),
    now - 19 * day,
    now - day / 8,
  );
  run.sendGroup(seeds, patrol("otter-patrol", 8), now - day / 6);
  run.sift(seeds, (i) => i < 19, now - day / 8);
  run.ask(
    seeds,
    spinnerEntry("seed25", "rare").secret,
    "Trial 1 of version 2 says 5.20 s. That would surprise us. Could you look again at what you measured?",
    "Yes, we filmed it. It was windy and went up first.",
    now - day / 5,
  );

  await gatherDrops(run, days, now);

  const rescue = run.make(
    "Reed Raft Rescue",
    "visiting group",
    raft,
    { opensOn: days.in(6), closesOn: days.in(34), revealOn: days.in(38) },
    now - 9 * day,
    { model: "signedUp", signedUp: 24, showRate: 0.9, walkIns: 0 },
  );
  run.session(
    rescue,
    days.in(8),
    "16:30",
    "marsh-room",
    90,
    { model: "signedUp", signedUp: 24, showRate: 0.9, walkIns: 1 },
    "Otter Patrol",
    ["fen-plover", "ivy-curlew"],
  );
  run.make(
    "Seed-wings from the loft",
    "workshop",
    { ...spinner, lines: [] },
    { opensOn: null, closesOn: null, revealOn: null },
    now - 2 * day,
    { model: "forecast", low: 10, likely: 16, high: 24 },
  );
  run.setClockTo(now - day / 7);
  run.rehearse(walk, saturday);
  run.floor(walk, 1);
  for (const [i, count] of boardwalkCounts.entries()) run.count(walk, i, count);
  run.setClockTo(now - 5 * day);
  beginFromShelf(run, days);
  // What was due each morning since entries first came in.
  for (let back = 36; back >= 0; back -= 1) {
    const morning = days.at(days.in(-back), "09:30");
    if (morning > now) continue;
    run.setClockTo(morning);
    await writeLetters(deps);
  }
  stockHistory(deps, planner, (instant) => run.setClockTo(instant), now);
  db.$client.close();
  release();
}

/** A Saturday of the boardwalk as it was rehearsed. */
const saturday = usualDay({
  minutes: 240,
  builders: 85,
  unit: "team",
  seats: 48,
  kits: null,
  rigs: 2,
  buildMinutes: 25,
  trials: 3,
  minutesPerTrial: 2,
  rebuildChance: 0.3,
  mostRebuilds: 2,
});

async function makeHouse(deps: Deps, days: DemoDays, url: string): Promise<Person> {
  const id = await setUp(deps, {
    code: "demo",
    houseName: "Quillmarsh Hall",
    zone,
    currency: "EUR",
    units: "metric",
    publicUrl: url,
    name: "Marsh Sedge",
    ...demoSignIn,
  });
  const planner: Person = { id, name: "Marsh Sedge", role: "planner" };
  saveHouse(deps, planner, {
    ...houseDoc(deps.db),
    rooms,
    people: people.map(({ away, ...person }) => ({
      ...person,
      away: away.map(({ from, to, why }, i) => ({
        id: `${person.id}-away-${i + 1}`,
        from: `${days.in(from)}T08:00`,
        to: `${days.in(to)}T20:00`,
        why,
      })),
    })),
    rigs: [
      { family: "span", owned: 8 },
      { family: "float", owned: 4 },
    ],
    // One builder in ten sends in; somebody has three quarters of an hour a day for looking at them.
    gathering: { ...usualGathering, returns: 0.1, siftMinutesADay: 45 },
    preparing: { weekdays: [2, 3, 4, 5, 6], people: 2, hours: 1.5, times: usualTimes },
    closures: [{ id: "winter-rest", from: days.in(26), to: days.in(33), why: "Winter rest" }],
  });
  await addStaff(deps, planner, { name: "Rush Tern", signIn: "rush.tern", role: "sifter", active: true, password: demoSignIn.password });
  await addStaff(deps, planner, { name: "Fen Plover", signIn: "fen.plover", role: "floor", active: true, password: demoSignIn.password });
  return planner;
}
