/** What is told of a day as it goes; minutes. */
export interface Watch {
  beginDay(): void;
  arrived(builders: number): void;
  sentAway(builders: number, forWhat: "seats" | "kits"): void;
  tookKits(kits: number): void;
  rebuilt(): void;
  waitedForSeat(minutes: number): void;
  waitedForHost(minutes: number): void;
  waitedForRig(minutes: number): void;
  seatBusy(from: number, to: number, seats: number): void;
  rigBusy(from: number, to: number): void;
  hostBusy(from: number, to: number): void;
  /** A unit leaves, done, after so long in the building. */
  left(minutes: number, at: number): void;
  /** A unit is still inside at the stop. */
  unfinished(minutes: number): void;
  /** Somebody goes from one place to another: a party until it sits, a unit from then on. Only who draws a day asks for it. */
  moved?(what: Move, who: number, now: number, size: number): void;
  endDay(peakSeats: number, peakSeatLine: number, peakRigLine: number): void;
}

/** How somebody moves. A party comes, is sent away or sits down with so many units; a unit builds, stands in line, tests, leaves, or is inside at the stop. */
export type Move = "comes" | "sent away" | "sits" | "builds" | "stands in line" | "tests" | "leaves" | "stopped";
