import { addDays, kitCut, type RunKind } from "@lampcrate/core";
import type { DemoDays } from "./calendar.ts";
import type { PersonKey } from "./house.ts";
import { houseTrialsOf } from "./houseTrials.ts";
import { atHome, type DemoRuns } from "./runs.ts";

/** Begins the runs that stand on the shelf, each with its session and what was tried of it. */
export function beginFromShelf(run: DemoRuns, days: DemoDays): void {
  for (const [starter, title, kind, week, roomId] of fromTheShelf) {
    const closing = starter === "canopy-ladder" ? 56 : 34;
    const dates = { opensOn: days.saturday(week), closesOn: days.in(closing), revealOn: days.in(closing + 4) };
    const id = run.fromStarter(starter, title, kind, dates);
    if (roomId)
      run.session(
        id,
        days.saturday(week),
        "14:30",
        roomId,
        90,
        { model: "forecast", low: 12, likely: 18, high: 26 },
        "",
        helpers[starter] ?? [],
        { part: kind === "series" ? 1 : null },
      );
    if (starter === "canopy-ladder") restOfSeries(run, id, days);
    if (starter === "marsh-glider") aroundTheGlider(run, id, days);
    for (const trial of houseTrialsOf[starter] ?? []) run.tryFirst(id, trial);
    // Its set-up begins before the boardwalk next door has been cleared: both need the house's scissors.
    if (starter === "clip-flinger") {
      run.addLine(id, { material: "scissors", per: "team", kind: "reusable", share: 0.5, loss: 0.2, source: "house" });
      // A flag for where the seed lands: cut from what the boardwalk's decks leave of their card.
      const cut = kitCut({ widthM: 0.08, heightM: 0.1 });
      run.addLine(id, { material: "card", amount: 1, perRebuild: 0, spoilRate: 0.03, cut, standIn: "a postcard" });
    }
  }
}

/** The nest's second and third day come after the winter rest: one to three weeks between them, as the planner wants it. */
function restOfSeries(run: DemoRuns, id: string, days: DemoDays): void {
  for (const [part, week] of [
    [2, 5],
    [3, 6],
  ] as const)
    run.session(
      id,
      days.saturday(week),
      "14:30",
      "weather-loft",
      90,
      { model: "forecast", low: 12, likely: 16, high: 24 },
      "",
      part === 2 ? ["rush-tern", "dune-pipit"] : [],
      { part },
    );
  run.spread(id, { leastDays: 6, mostDays: 21 });
}

/** Built at home: bags on two days, and a story hour on line on the evenings before. */
function aroundTheGlider(run: DemoRuns, id: string, days: DemoDays): void {
  const opens = days.saturday(3);
  for (const before of [4, 3, 2, 1])
    run.session(id, addDays(opens, -before), "17:00", null, 30, atHome(0, 40), "Story hour", ["dune-pipit"], {
      kind: "on line",
      setUpMin: 15,
      tearDownMin: 0,
    });
  run.session(id, opens, "10:30", "library-corner", 150, atHome(24, 10), "Bags out", ["fen-plover"], pickUp);
  run.session(id, addDays(opens, 1), "10:30", "library-corner", 150, atHome(16, 6), "Bags out", ["moss-lark"], pickUp);
}

/** How kits are handed out from a table. */
export const pickUp = { kind: "pick-up", setUpMin: 30, tearDownMin: 15 } as const;

/** Runs that the planner has begun from the shelf: none is published yet. */
const fromTheShelf: readonly (readonly [starter: string, title: string, kind: RunKind, week: number, room: string | null])[] = [
  ["canopy-ladder", "Storm-Proof Nest", "series", 3, "weather-loft"],
  ["clip-flinger", "Seed Flinger", "workshop", 1, "weather-loft"],
  ["breath-tube", "Spore Puffer", "drop-in", 2, null],
  ["marsh-glider", "Marsh Glider", "at-home", 3, null],
  ["raindrop-relay", "Raindrop Relay", "drop-in", 4, null],
  ["gust-cart", "Gust Cart", "workshop", 2, "weather-loft"],
  ["heron-lookout", "Heron Lookout", "workshop", 4, "weather-loft"],
  ["sheet-test", "What Will Hold?", "series", 2, null],
];

/** Who is on them; where nobody is named nobody has been asked yet. */
const helpers: Readonly<Record<string, readonly PersonKey[]>> = {
  "canopy-ladder": ["rush-tern", "ivy-curlew", "dune-pipit"],
  // Fen Plover is still clearing up the drop-in next door when this begins.
  "clip-flinger": ["fen-plover", "ivy-curlew"],
  "gust-cart": ["rush-tern", "dune-pipit"],
};
