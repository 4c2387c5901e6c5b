import { DayDraws } from "./draws.ts";
import { type DropIn, stopMin } from "./dropIn.ts";
import { Events, happens } from "./events.ts";
import { Fifo } from "./fifo.ts";
import { Level } from "./level.ts";
import { Parties, Units } from "./rows.ts";
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

  private readonly parties = new Parties();
  private readonly units = new Units();

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
    this.parties.count = 0;
    this.units.count = 0;
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
    this.expected += this.draws.gap(this.parties.count);
    const at = this.draws.arrivalAt(this.expected);
    if (at < this.day.lastEntryMin) this.events.put(at, happens.arrives, this.parties.count);
  }

  private arrive(party: number, now: number): void {
    const { day, tally } = this;
    const size = this.draws.size(party);
    this.parties.add(now, size, waiting);
    tally.arrived(size);
    tally.moved?.("comes", party, now, size);
    this.foreseeArrival();
    if (this.kitsLeft <= 0) return this.sendAway(party, "kits", now);
    if ((day.seats !== null && size > day.seats) || this.isClosed) return this.sendAway(party, "seats", now);
    if (this.seatLine.isEmpty && this.freeSeats >= size) return this.seat(party, now);
    const patience = this.draws.patience(party);
    if (patience <= 0) return this.sendAway(party, "seats", now);
    this.seatLine.put(party);
    this.seatWaiting.change(size, now);
    if (patience < Number.POSITIVE_INFINITY) this.events.put(now + patience, happens.givesUp, party);
  }

  private sendAway(party: number, forWhat: "seats" | "kits", now: number): void {
    this.parties.state[party] = gone;
    this.tally.moved?.("sent away", party, now, this.parties.size[party] as number);
    this.tally.sentAway(this.parties.size[party] as number, forWhat);
  }

  private giveUp(party: number, now: number): void {
    if (this.parties.state[party] !== waiting) return;
    this.seatWaiting.change(-(this.parties.size[party] as number), now);
    this.sendAway(party, "seats", now);
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
      if (this.parties.state[party] !== waiting) continue;
      this.seatWaiting.change(-(this.parties.size[party] as number), now);
      this.sendAway(party, forWhat, now);
    }
  }

  /** Seats the head of the line while there are seats for all of it. */
  private moveLine(now: number): void {
    while (!this.isClosed && !this.seatLine.isEmpty) {
      const party = this.seatLine.first;
      if (this.parties.state[party] !== waiting) {
        this.seatLine.take();
        continue;
      }
      if (this.freeSeats < (this.parties.size[party] as number)) return;
      this.seatLine.take();
      this.seatWaiting.change(-(this.parties.size[party] as number), now);
      this.seat(party, now);
    }
  }

  private seat(party: number, now: number): void {
    const { day, tally } = this;
    const size = this.parties.size[party] as number;
    const wanted = day.unit === "team" ? 1 : size;
    const got = Math.min(wanted, this.kitsLeft);
    const seatsPer = day.unit === "team" ? size : 1;
    this.parties.state[party] = seated;
    this.parties.seatedAt[party] = now;
    this.parties.firstUnit[party] = this.units.count;
    this.parties.units[party] = got;
    this.kitsLeft -= got;
    tally.waitedForSeat(now - (this.parties.arrivedAt[party] as number));
    if (got < wanted) tally.sentAway((wanted - got) * seatsPer, "kits");
    for (let unit = 0; unit < got; unit += 1) this.units.add(party, seatsPer);
    this.freeSeats -= got * seatsPer;
    this.seats.change(got * seatsPer, now);
    tally.tookKits(got);
    tally.moved?.("sits", party, now, got);
    if (this.kitsLeft <= 0) this.clearLine(now, "kits");
    if (got > 0) this.greet(party, now);
  }

  private greet(party: number, now: number): void {
    if (this.day.welcome.meanMin <= 0) return this.startBuilding(party, now);
    if (this.freeHosts > 0) this.welcome(party, now);
    else this.hostLine.put(party);
  }

  private welcome(party: number, now: number): void {
    this.freeHosts -= 1;
    this.parties.welcomedAt[party] = now;
    this.tally.waitedForHost(now - (this.parties.seatedAt[party] as number));
    this.events.put(now + this.draws.welcome(party), happens.welcomeEnds, party);
  }

  private welcomeEnds(party: number, now: number): void {
    this.tally.hostBusy(this.parties.welcomedAt[party] as number, now);
    this.parties.welcomedAt[party] = -1;
    this.freeHosts += 1;
    this.startBuilding(party, now);
    if (!this.hostLine.isEmpty) this.welcome(this.hostLine.take(), now);
  }

  private startBuilding(party: number, now: number): void {
    const first = this.parties.firstUnit[party] as number;
    for (let i = 0; i < (this.parties.units[party] as number); i += 1) this.beginBuild(first + i, now, this.draws.build(party, i, 0));
  }

  private beginBuild(unit: number, now: number, minutes: number): void {
    this.tally.moved?.("builds", unit, now, 1);
    this.events.put(now + minutes, happens.buildEnds, unit);
  }

  private buildEnds(unit: number, now: number): void {
    if (this.day.trials <= 0) return this.leave(unit, now);
    this.units.lineSince[unit] = now;
    this.tally.moved?.("stands in line", unit, now, 1);
    if (this.freeRigs > 0) return this.test(unit, now);
    this.rigLine.put(unit);
    this.rigWaiting.change(1, now);
  }

  private test(unit: number, now: number): void {
    const party = this.units.party[unit] as number;
    this.freeRigs -= 1;
    this.tally.waitedForRig(now - (this.units.lineSince[unit] as number));
    this.units.lineSince[unit] = -1;
    this.units.testSince[unit] = now;
    this.tally.moved?.("tests", unit, now, 1);
    this.events.put(
      now + this.draws.visit(party, unit - (this.parties.firstUnit[party] as number), this.units.loop[unit] as number),
      happens.testEnds,
      unit,
    );
  }

  private testEnds(unit: number, now: number): void {
    const { day, draws } = this;
    this.tally.rigBusy(this.units.testSince[unit] as number, now);
    this.units.testSince[unit] = -1;
    this.freeRigs += 1;
    const party = this.units.party[unit] as number;
    const place = unit - (this.parties.firstUnit[party] as number);
    const loop = this.units.loop[unit] as number;
    const needs = day.rebuildFraction * day.build.meanMin + day.trials * day.trial.meanMin;
    if (loop < day.mostRebuilds && now + needs <= day.closingMin && draws.again(party, place, loop)) {
      this.units.loop[unit] = loop + 1;
      this.tally.rebuilt();
      this.beginBuild(unit, now, day.rebuildFraction * draws.build(party, place, loop + 1));
    } else this.leave(unit, now);
    if (this.freeRigs > 0 && !this.rigLine.isEmpty) {
      this.rigWaiting.change(-1, now);
      this.test(this.rigLine.take(), now);
    }
  }

  private leave(unit: number, now: number): void {
    const party = this.units.party[unit] as number;
    const seats = this.units.seats[unit] as number;
    this.units.leftAt[unit] = now;
    this.tally.moved?.("leaves", unit, now, 1);
    this.freeSeats += seats;
    this.seats.change(-seats, now);
    this.tally.seatBusy(this.parties.seatedAt[party] as number, now, seats);
    this.tally.left(now - (this.parties.arrivedAt[party] as number), now);
    this.moveLine(now);
  }

  /** All that still stand in a line, test, build or are welcomed. */
  private stop(now: number): void {
    const { tally } = this;
    while (!this.hostLine.isEmpty) tally.waitedForHost(now - (this.parties.seatedAt[this.hostLine.take()] as number));
    for (let party = 0; party < this.parties.count; party += 1) {
      const since = this.parties.welcomedAt[party] as number;
      if (since >= 0) tally.hostBusy(since, now);
    }
    for (let unit = 0; unit < this.units.count; unit += 1) {
      if ((this.units.leftAt[unit] as number) >= 0) continue;
      const party = this.units.party[unit] as number;
      if ((this.units.lineSince[unit] as number) >= 0) tally.waitedForRig(now - (this.units.lineSince[unit] as number));
      if ((this.units.testSince[unit] as number) >= 0) tally.rigBusy(this.units.testSince[unit] as number, now);
      tally.seatBusy(this.parties.seatedAt[party] as number, now, this.units.seats[unit] as number);
      tally.moved?.("stopped", unit, now, 1);
      tally.unfinished(now - (this.parties.arrivedAt[party] as number));
    }
  }
}
