import type { Tap, TapOutcome } from "./taps.ts";

/** What a unit is at. */
export const unitStages = ["builds", "waits", "tests", "tested", "home"] as const;
export type UnitStage = (typeof unitStages)[number];

export interface UnitResult {
  readonly tap: string;
  readonly at: number;
  readonly raw: string;
  readonly value: number | null;
  readonly outcome: TapOutcome;
}

/** A builder or a team with a kit. */
export interface FloorUnit {
  readonly id: string;
  /** "A12", or "A12.2" of a party of several. */
  readonly label: string;
  readonly heads: number;
  readonly stage: UnitStage;
  /** When it came to that stage, ms since 1970. */
  readonly since: number;
  /** When its party came in. */
  readonly cameAt: number;
  readonly rig: number | null;
  readonly rebuilds: number;
  /** Minutes from coming in until it was first ready to test; null until then. */
  readonly builtMin: number | null;
  /** Minutes that it waited for a rig, a visit each. */
  readonly waits: readonly number[];
  readonly results: readonly UnitResult[];
  readonly photo: boolean;
}

/** Something that was written down. */
export interface FloorNote {
  readonly tap: string;
  readonly at: number;
  readonly kind: "near miss" | "ran short" | "note";
  readonly words: string;
}

/** How a floor stands, from all that was tapped. */
export interface FloorNow {
  readonly parties: number;
  readonly heads: number;
  readonly turnedAway: number;
  readonly kitsUsed: number;
  /** null until somebody said so. */
  readonly kitsAtStart: number | null;
  readonly units: readonly FloorUnit[];
  /** Units in line for a rig, who is next first. */
  readonly line: readonly FloorUnit[];
  readonly notes: readonly FloorNote[];
  /** Tests at rigs that have ended, and their minutes together. */
  readonly tests: { readonly count: number; readonly minutes: number };
  /** Arrivals of builders, ms since 1970, for the day's profile. */
  readonly arrivals: readonly { readonly at: number; readonly heads: number }[];
  /** Parties that each tablet has numbered. */
  readonly numbered: Readonly<Record<string, number>>;
  /** The newest tap that can be taken back, by the tablet. */
  readonly lastBy: Readonly<Record<string, Tap>>;
}

type Draft = { -readonly [Key in keyof FloorUnit]: FloorUnit[Key] extends readonly (infer Item)[] ? Item[] : FloorUnit[Key] };

const minute = 60_000;

/**
 * A floor as all its taps make it: in order of their own time (ties by id), each once, without those taken back. The
 * order in which they came here is of no account, so that two tablets that were apart agree once they have the same taps.
 * @param unit Who builds: each builder alone, or a party as one team.
 */
export function floorNow(taps: readonly Tap[], unit: "builder" | "team"): FloorNow {
  const all = [...new Map(taps.map((tap) => [tap.id, tap])).values()].sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1));
  const gone = takenBack(all);
  const floor = new Floor(unit);
  for (const tap of all) if (!gone.has(tap.id) && tap.body.kind !== "undo") floor.take(tap);
  return floor.now();
}

/** Ids of taps that others take back; a taking back that is itself taken back counts no more. */
function takenBack(all: readonly Tap[]): ReadonlySet<string> {
  const gone = new Set<string>();
  for (const { id, body } of [...all].reverse()) if (body.kind === "undo" && !gone.has(id)) gone.add(body.tap);
  return gone;
}

class Floor {
  private readonly units = new Map<string, Draft>();
  private readonly notes: FloorNote[] = [];
  private readonly arrivals: { at: number; heads: number }[] = [];
  private readonly numbered: Record<string, number> = {};
  private readonly lastBy: Record<string, Tap> = {};
  private readonly tests = { count: 0, minutes: 0 };
  private parties = 0;
  private turnedAway = 0;
  private kitsAtStart: number | null = null;

  constructor(private readonly unit: "builder" | "team") {}

  take(tap: Tap): void {
    const { body, at } = tap;
    this.lastBy[tap.by] = tap;
    switch (body.kind) {
      case "in":
        this.comeIn(tap, body.heads, body.number);
        break;
      case "turned away":
        this.turnedAway += body.heads;
        break;
      case "kits":
        this.kitsAtStart = body.count;
        break;
      case "near miss":
      case "ran short":
      case "note":
        this.notes.push({ tap: tap.id, at, kind: body.kind, words: body.words });
        break;
      case "undo":
        break;
      default: {
        const found = this.units.get(body.unit);
        if (found) this.step(found, tap);
      }
    }
  }

  private comeIn(tap: Tap, heads: number, number: number): void {
    this.parties += 1;
    this.arrivals.push({ at: tap.at, heads });
    this.numbered[tap.by] = Math.max(this.numbered[tap.by] ?? 0, number);
    const units = this.unit === "team" ? 1 : heads;
    for (let i = 0; i < units; i += 1) {
      const id = units === 1 ? tap.id : `${tap.id}.${i + 1}`;
      this.units.set(id, {
        id,
        label: `${tap.by}${number}${units === 1 ? "" : `.${i + 1}`}`,
        heads: this.unit === "team" ? heads : 1,
        stage: "builds",
        since: tap.at,
        cameAt: tap.at,
        rig: null,
        rebuilds: 0,
        builtMin: null,
        waits: [],
        results: [],
        photo: false,
      });
    }
  }

  private step(unit: Draft, { id, at, body }: Tap): void {
    const to = (stage: UnitStage, rig: number | null = null): void => {
      if (unit.builtMin === null && (stage === "waits" || stage === "tests")) unit.builtMin = (at - unit.cameAt) / minute;
      if (unit.stage === "waits" && stage === "tests") unit.waits.push((at - unit.since) / minute);
      Object.assign(unit, { stage, since: at, rig });
    };
    switch (body.kind) {
      case "line":
        // A second tablet's tap for the same step leaves its place in the line.
        if (unit.stage !== "waits") to("waits");
        break;
      case "rig":
        if (unit.stage !== "waits" && unit.stage !== "tests") unit.waits.push(0);
        to("tests", body.rig);
        break;
      case "result":
        if (unit.stage === "tests") {
          this.tests.count += 1;
          this.tests.minutes += (at - unit.since) / minute;
        }
        unit.results.push({ tap: id, at, raw: body.raw, value: body.value, outcome: body.outcome });
        to("tested");
        break;
      case "again":
        unit.rebuilds += 1;
        to("builds");
        break;
      case "home":
        to("home");
        break;
      case "photo":
        unit.photo = body.yes;
        break;
      default:
        break;
    }
  }

  now(): FloorNow {
    const units = [...this.units.values()];
    return {
      parties: this.parties,
      heads: this.arrivals.reduce((sum, { heads }) => sum + heads, 0),
      turnedAway: this.turnedAway,
      kitsUsed: units.length,
      kitsAtStart: this.kitsAtStart,
      units,
      line: units.filter(({ stage }) => stage === "waits").sort((a, b) => a.since - b.since),
      notes: this.notes,
      tests: this.tests,
      arrivals: this.arrivals,
      numbered: this.numbered,
      lastBy: this.lastBy,
    };
  }
}
