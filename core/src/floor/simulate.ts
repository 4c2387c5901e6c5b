import { DayDraws } from "./draws.ts";
import { type DropIn, stopMin } from "./dropIn.ts";
import { Events, happens } from "./events.ts";
import { Fifo } from "./fifo.ts";
import { Level } from "./level.ts";
import type { Watch } from "./watch.ts";

const waiting = 0;
const seated = 1;
const gone = 2;

/** A run of drop-in days. Everything a day needs is kept and used again for the next: three thousand a second are asked for. */
export class DropInDays {
  private readonly draws: DayDraws;
  private readonly events = new Events();
  private readonly seatLine = new Fifo();
  private readonly hostLine = new Fifo();
  private readonly rigLine = new Fifo();
  private readonly seats: Level;
  private readonly seatWaiting = new Level();
  private readonly rigWaiting = new Level();

  /* Parties, by the order of arrival. */
  private arrivedAt = new Float64Array(256);
  private seatedAt = new Float64Array(256);
  private welcomedAt = new Float64Array(256);
  private sizeOf = new Int32Array(256);
  private stateOf = new Uint8Array(256);
  private firstUnit = new Int32Array(256);
  private unitsOf = new Int32Array(256);
  private parties = 0;

  /* Units, by the order in which they got their kits. */
  private partyOf = new Int32Array(512);
  private loopOf = new Int32Array(512);
  private seatsOf = new Int32Array(512);
  private lineSince = new Float64Array(512);
  private testSince = new Float64Array(512);
  private leftAt = new Float64Array(512);
  private units = 0;

  private freeSeats = 0;
  private freeHosts = 0;
  private freeRigs = 0;
  private kitsLeft = 0;
  private isClosed = false;
  /** Parties expected up to the one that comes next. */
  private expected = 0;

  constructor(
    private readonly day: DropIn,
    private readonly tally: Watch,
  ) {
    this.draws = new DayDraws(day);
    this.seats = new Level();
  }

  /** Simulates the day with this number, and adds it to the tally. */
  run(seed: number, number: number): void {
    const { day, events, tally } = this;
    this.begin(seed, number);
    const stop = stopMin(day);
    for (;;) {
      events.take();
      const { time, kind, who } = events;
      if (kind === happens.stop) break;
      if (kind === happens.arrives) this.arrive(who, time);
      else if (kind === happens.testEnds) this.testEnds(who, time);
      else if (kind === happens.buildEnds) this.buildEnds(who, time);
      else if (kind === happens.welcomeEnds) this.welcomeEnds(who, time);
      else if (kind === happens.givesUp) this.giveUp(who, time);
      else this.close(time);
    }
    this.stop(stop);
    tally.endDay(this.seats.ended(stop), this.seatWaiting.ended(stop), this.rigWaiting.ended(stop));
  }

  private begin(seed: number, number: number): void {
    const { day, events, draws, tally } = this;
    draws.begin(seed, number);
    events.clear();
    for (const line of [this.seatLine, this.hostLine, this.rigLine]) line.clear();
    for (const level of [this.seats, this.seatWaiting, this.rigWaiting]) level.begin();
    this.parties = 0;
    this.units = 0;
    this.freeSeats = day.seats ?? Number.POSITIVE_INFINITY;
    this.freeHosts = day.hosts ?? Number.POSITIVE_INFINITY;
    this.freeRigs = day.rigs ?? Number.POSITIVE_INFINITY;
    this.kitsLeft = day.kits ?? Number.POSITIVE_INFINITY;
    this.isClosed = false;
    this.expected = 0;
    tally.beginDay();
    events.put(day.closingMin, happens.closing, 0);
    events.put(stopMin(day), happens.stop, 0);
    this.foreseeArrival();
  }

  private foreseeArrival(): void {
    this.expected += this.draws.gap(this.parties);
    const at = this.draws.arrivalAt(this.expected);
    if (at < this.day.lastEntryMin) this.events.put(at, happens.arrives, this.parties);
  }

  private arrive(party: number, now: number): void {
    const { day, tally } = this;
    if (party >= this.arrivedAt.length) this.widenParties();
    const size = this.draws.size(party);
    this.parties = party + 1;
    this.sizeOf[party] = size;
    this.arrivedAt[party] = now;
    this.stateOf[party] = waiting;
    this.unitsOf[party] = 0;
    this.welcomedAt[party] = -1;
    tally.arrived(size);
    this.foreseeArrival();
    if (this.kitsLeft <= 0) return this.sendAway(party, "kits");
    if ((day.seats !== null && size > day.seats) || this.isClosed) return this.sendAway(party, "seats");
    if (this.seatLine.isEmpty && this.freeSeats >= size) return this.seat(party, now);
    const patience = this.draws.patience(party);
    if (patience <= 0) return this.sendAway(party, "seats");
    this.seatLine.put(party);
    this.seatWaiting.change(size, now);
    if (patience < Number.POSITIVE_INFINITY) this.events.put(now + patience, happens.givesUp, party);
  }

  private sendAway(party: number, forWhat: "seats" | "kits"): void {
    this.stateOf[party] = gone;
    this.tally.sentAway(this.sizeOf[party] as number, forWhat);
  }

  private giveUp(party: number, now: number): void {
    if (this.stateOf[party] !== waiting) return;
    this.seatWaiting.change(-(this.sizeOf[party] as number), now);
    this.sendAway(party, "seats");
    this.moveLine(now);
  }

  private close(now: number): void {
    this.isClosed = true;
    this.clearLine(now, "seats");
  }

  /** The line goes home. */
  private clearLine(now: number, forWhat: "seats" | "kits"): void {
    while (!this.seatLine.isEmpty) {
      const party = this.seatLine.take();
      if (this.stateOf[party] !== waiting) continue;
      this.seatWaiting.change(-(this.sizeOf[party] as number), now);
      this.sendAway(party, forWhat);
    }
  }

  /** Seats the head of the line while there are seats for all of it. */
  private moveLine(now: number): void {
    while (!this.isClosed && !this.seatLine.isEmpty) {
      const party = this.seatLine.first;
      if (this.stateOf[party] !== waiting) {
        this.seatLine.take();
        continue;
      }
      if (this.freeSeats < (this.sizeOf[party] as number)) return;
      this.seatLine.take();
      this.seatWaiting.change(-(this.sizeOf[party] as number), now);
      this.seat(party, now);
    }
  }

  private seat(party: number, now: number): void {
    const { day, tally } = this;
    const size = this.sizeOf[party] as number;
    const wanted = day.unit === "team" ? 1 : size;
    const got = Math.min(wanted, this.kitsLeft);
    const seatsPer = day.unit === "team" ? size : 1;
    this.stateOf[party] = seated;
    this.seatedAt[party] = now;
    this.firstUnit[party] = this.units;
    this.unitsOf[party] = got;
    this.kitsLeft -= got;
    tally.waitedForSeat(now - (this.arrivedAt[party] as number));
    if (got < wanted) tally.sentAway((wanted - got) * seatsPer, "kits");
    for (let unit = 0; unit < got; unit += 1) this.addUnit(party, seatsPer);
    this.freeSeats -= got * seatsPer;
    this.seats.change(got * seatsPer, now);
    tally.tookKits(got);
    if (this.kitsLeft <= 0) this.clearLine(now, "kits");
    if (got > 0) this.greet(party, now);
  }

  private addUnit(party: number, seatsPer: number): void {
    if (this.units >= this.partyOf.length) this.widenUnits();
    const unit = this.units;
    this.units += 1;
    this.partyOf[unit] = party;
    this.loopOf[unit] = 0;
    this.seatsOf[unit] = seatsPer;
    this.lineSince[unit] = -1;
    this.testSince[unit] = -1;
    this.leftAt[unit] = -1;
  }

  private greet(party: number, now: number): void {
    if (this.day.welcome.meanMin <= 0) return this.startBuilding(party, now);
    if (this.freeHosts > 0) this.welcome(party, now);
    else this.hostLine.put(party);
  }

  private welcome(party: number, now: number): void {
    this.freeHosts -= 1;
    this.welcomedAt[party] = now;
    this.tally.waitedForHost(now - (this.seatedAt[party] as number));
    this.events.put(now + this.draws.welcome(party), happens.welcomeEnds, party);
  }

  private welcomeEnds(party: number, now: number): void {
    this.tally.hostBusy(this.welcomedAt[party] as number, now);
    this.welcomedAt[party] = -1;
    this.freeHosts += 1;
    this.startBuilding(party, now);
    if (!this.hostLine.isEmpty) this.welcome(this.hostLine.take(), now);
  }

  private startBuilding(party: number, now: number): void {
    const first = this.firstUnit[party] as number;
    for (let i = 0; i < (this.unitsOf[party] as number); i += 1)
      this.events.put(now + this.draws.build(party, i, 0), happens.buildEnds, first + i);
  }

  private buildEnds(unit: number, now: number): void {
    if (this.day.trials <= 0) return this.leave(unit, now);
    this.lineSince[unit] = now;
    if (this.freeRigs > 0) return this.test(unit, now);
    this.rigLine.put(unit);
    this.rigWaiting.change(1, now);
  }

  private test(unit: number, now: number): void {
    const party = this.partyOf[unit] as number;
    this.freeRigs -= 1;
    this.tally.waitedForRig(now - (this.lineSince[unit] as number));
    this.lineSince[unit] = -1;
    this.testSince[unit] = now;
    this.events.put(
      now + this.draws.visit(party, unit - (this.firstUnit[party] as number), this.loopOf[unit] as number),
      happens.testEnds,
      unit,
    );
  }

  private testEnds(unit: number, now: number): void {
    const { day, draws } = this;
    this.tally.rigBusy(this.testSince[unit] as number, now);
    this.testSince[unit] = -1;
    this.freeRigs += 1;
    const party = this.partyOf[unit] as number;
    const place = unit - (this.firstUnit[party] as number);
    const loop = this.loopOf[unit] as number;
    const needs = day.rebuildFraction * day.build.meanMin + day.trials * day.trial.meanMin;
    if (loop < day.mostRebuilds && now + needs <= day.closingMin && draws.again(party, place, loop)) {
      this.loopOf[unit] = loop + 1;
      this.tally.rebuilt();
      this.events.put(now + day.rebuildFraction * draws.build(party, place, loop + 1), happens.buildEnds, unit);
    } else this.leave(unit, now);
    if (this.freeRigs > 0 && !this.rigLine.isEmpty) {
      this.rigWaiting.change(-1, now);
      this.test(this.rigLine.take(), now);
    }
  }

  private leave(unit: number, now: number): void {
    const party = this.partyOf[unit] as number;
    const seats = this.seatsOf[unit] as number;
    this.leftAt[unit] = now;
    this.freeSeats += seats;
    this.seats.change(-seats, now);
    this.tally.seatBusy(this.seatedAt[party] as number, now, seats);
    this.tally.left(now - (this.arrivedAt[party] as number), now);
    this.moveLine(now);
  }

  /** All that still stand in a line, test, build or are welcomed. */
  private stop(now: number): void {
    const { tally } = this;
    while (!this.hostLine.isEmpty) tally.waitedForHost(now - (this.seatedAt[this.hostLine.take()] as number));
    for (let party = 0; party < this.parties; party += 1) {
      const since = this.welcomedAt[party] as number;
      if (since >= 0) tally.hostBusy(since, now);
    }
    for (let unit = 0; unit < this.units; unit += 1) {
      if ((this.leftAt[unit] as number) >= 0) continue;
      const party = this.partyOf[unit] as number;
      if ((this.lineSince[unit] as number) >= 0) tally.waitedForRig(now - (this.lineSince[unit] as number));
      if ((this.testSince[unit] as number) >= 0) tally.rigBusy(this.testSince[unit] as number, now);
      tally.seatBusy(this.seatedAt[party] as number, now, this.seatsOf[unit] as number);
      tally.unfinished(now - (this.arrivedAt[party] as number));
    }
  }

  private widenParties(): void {
    const wide = 2 * this.arrivedAt.length;
    this.arrivedAt = widened(this.arrivedAt, new Float64Array(wide));
    this.seatedAt = widened(this.seatedAt, new Float64Array(wide));
    this.welcomedAt = widened(this.welcomedAt, new Float64Array(wide));
    this.sizeOf = widened(this.sizeOf, new Int32Array(wide));
    this.stateOf = widened(this.stateOf, new Uint8Array(wide));
    this.firstUnit = widened(this.firstUnit, new Int32Array(wide));
    this.unitsOf = widened(this.unitsOf, new Int32Array(wide));
  }

  private widenUnits(): void {
    const wide = 2 * this.partyOf.length;
    this.partyOf = widened(this.partyOf, new Int32Array(wide));
    this.loopOf = widened(this.loopOf, new Int32Array(wide));
    this.seatsOf = widened(this.seatsOf, new Int32Array(wide));
    this.lineSince = widened(this.lineSince, new Float64Array(wide));
    this.testSince = widened(this.testSince, new Float64Array(wide));
    this.leftAt = widened(this.leftAt, new Float64Array(wide));
  }
}

function widened<T extends Float64Array | Int32Array | Uint8Array>(from: T, to: T): T {
  to.set(from);
  return to;
}
