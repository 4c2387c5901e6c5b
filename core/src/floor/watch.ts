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

/** Hears nothing: who watches a day for a few things overrides those. */
export class Unheeding implements Watch {
  beginDay(): void {}
  arrived(_builders: number): void {}
  sentAway(_builders: number, _forWhat: "seats" | "kits"): void {}
  tookKits(_kits: number): void {}
  rebuilt(): void {}
  waitedForSeat(_minutes: number): void {}
  waitedForHost(_minutes: number): void {}
  waitedForRig(_minutes: number): void {}
  seatBusy(_from: number, _to: number, _seats: number): void {}
  rigBusy(_from: number, _to: number): void {}
  hostBusy(_from: number, _to: number): void {}
  left(_minutes: number, _at: number): void {}
  unfinished(_minutes: number): void {}
  endDay(_peakSeats: number, _peakSeatLine: number, _peakRigLine: number): void {}
}
