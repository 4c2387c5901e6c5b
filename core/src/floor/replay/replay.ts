import { type DropIn, stopMin } from "../dropIn.ts";
import { DropInDays } from "../simulate.ts";
import { type Move, Unheeding } from "../watch.ts";
import { typicalDay } from "./typical.ts";

/** Where a builder (or a team) is. */
export type DotPlace = "seat line" | "welcome" | "building" | "rig line" | "rig" | "home" | "turned away" | "unfinished";

/** From this minute on it is there; `spot` is its seat, or its rig where it tests, from 0. */
export interface DotStep {
  readonly at: number;
  readonly place: DotPlace;
  readonly spot: number;
}

/** A unit, or one that would have been: a builder, or a party as one team. */
export interface Dot {
  readonly party: number;
  /** Seats that it takes. */
  readonly seats: number;
  readonly steps: readonly DotStep[];
}

/** One day, to be played again. */
export interface Replay {
  /** Which of the days of its seed. */
  readonly number: number;
  readonly stopMin: number;
  readonly dots: readonly Dot[];
}

/** The most ordinary of so many days, move by move. */
export function replayTypical(day: DropIn, days: number, seed: number): Replay {
  return replayDay(day, seed, typicalDay(day, days, seed));
}

/** A day move by move; seats and rigs are handed out lowest first. */
export function replayDay(day: DropIn, seed: number, number: number): Replay {
  const recorder = new Recorder(day);
  new DropInDays(day, recorder).run(seed, number);
  return { number, stopMin: stopMin(day), dots: recorder.dots };
}

/** Hands out the lowest that is free. */
class Spots {
  private readonly taken: boolean[] = [];

  take(): number {
    const free = this.taken.indexOf(false);
    const spot = free === -1 ? this.taken.length : free;
    this.taken[spot] = true;
    return spot;
  }

  free(spot: number): void {
    this.taken[spot] = false;
  }
}

interface Moving {
  readonly party: number;
  readonly seats: number;
  readonly steps: DotStep[];
  /** The seats that it has. */
  held: readonly number[];
  rig: number;
}

class Recorder extends Unheeding {
  readonly dots: Moving[] = [];
  private readonly ofParty = new Map<number, readonly Moving[]>();
  private readonly units: Moving[] = [];
  private readonly seats = new Spots();
  private readonly rigs = new Spots();

  constructor(private readonly day: DropIn) {
    super();
  }

  moved(what: Move, who: number, now: number, size: number): void {
    if (what === "comes") return this.comes(who, now, size);
    if (what === "sent away") return this.away(who, now);
    if (what === "sits") return this.sits(who, now, size);
    const dot = this.units[who];
    if (!dot) return;
    if (dot.rig >= 0 && what !== "tests") {
      this.rigs.free(dot.rig);
      dot.rig = -1;
    }
    const seat = dot.held[0] ?? 0;
    if (what === "builds") dot.steps.push({ at: now, place: "building", spot: seat });
    else if (what === "stands in line") dot.steps.push({ at: now, place: "rig line", spot: seat });
    else if (what === "tests") {
      dot.rig = this.rigs.take();
      dot.steps.push({ at: now, place: "rig", spot: dot.rig });
    } else {
      for (const held of dot.held) this.seats.free(held);
      dot.steps.push({ at: now, place: what === "leaves" ? "home" : "unfinished", spot: seat });
    }
  }

  private comes(party: number, now: number, size: number): void {
    const isTeam = this.day.unit === "team";
    const dots = Array.from({ length: isTeam ? 1 : size }, (): Moving => {
      const seats = isTeam ? size : 1;
      return { party, seats, steps: [{ at: now, place: "seat line", spot: 0 }], held: [], rig: -1 };
    });
    this.ofParty.set(party, dots);
    this.dots.push(...dots);
  }

  private away(party: number, now: number): void {
    for (const dot of this.ofParty.get(party) ?? []) dot.steps.push({ at: now, place: "turned away", spot: 0 });
  }

  /** So many of a party's units have a kit and a seat; the rest are turned away. */
  private sits(party: number, now: number, got: number): void {
    for (const [i, dot] of (this.ofParty.get(party) ?? []).entries()) {
      if (i >= got) {
        dot.steps.push({ at: now, place: "turned away", spot: 0 });
        continue;
      }
      dot.held = Array.from({ length: dot.seats }, () => this.seats.take());
      this.units.push(dot);
      dot.steps.push({ at: now, place: "welcome", spot: dot.held[0] ?? 0 });
    }
  }
}

/** Where a dot is at a minute; null before it comes. */
export function stepAt({ steps }: Dot, minute: number): DotStep | null {
  return steps.findLast((step) => step.at <= minute) ?? null;
}

/** How many are where at a minute. */
export function countsAt({ dots }: Replay, minute: number): Readonly<Record<DotPlace, number>> {
  const counts = { "seat line": 0, welcome: 0, building: 0, "rig line": 0, rig: 0, home: 0, "turned away": 0, unfinished: 0 };
  for (const dot of dots) {
    const step = stepAt(dot, minute);
    if (step) counts[step.place] += 1;
  }
  return counts;
}
