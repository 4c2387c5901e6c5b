/** Numbers that are kept for each party or unit of a day, in plain arrays that grow and are used again the next day. */
function widened<T extends Float64Array | Int32Array | Uint8Array>(from: T, to: T): T {
  to.set(from);
  return to;
}

/** Parties, by the order of arrival. */
export class Parties {
  count = 0;
  arrivedAt = new Float64Array(256);
  seatedAt = new Float64Array(256);
  /** When a host began; below 0 while none welcomes them. */
  welcomedAt = new Float64Array(256);
  size = new Int32Array(256);
  state = new Uint8Array(256);
  firstUnit = new Int32Array(256);
  units = new Int32Array(256);

  /** Takes one in that has just come. */
  add(now: number, size: number, state: number): void {
    const party = this.count;
    if (party >= this.size.length) this.widen();
    this.count += 1;
    this.arrivedAt[party] = now;
    this.welcomedAt[party] = -1;
    this.size[party] = size;
    this.state[party] = state;
    this.units[party] = 0;
  }

  private widen(): void {
    const wide = 2 * this.size.length;
    this.arrivedAt = widened(this.arrivedAt, new Float64Array(wide));
    this.seatedAt = widened(this.seatedAt, new Float64Array(wide));
    this.welcomedAt = widened(this.welcomedAt, new Float64Array(wide));
    this.size = widened(this.size, new Int32Array(wide));
    this.state = widened(this.state, new Uint8Array(wide));
    this.firstUnit = widened(this.firstUnit, new Int32Array(wide));
    this.units = widened(this.units, new Int32Array(wide));
  }
}

/** Units, by the order in which they got their kits. Times are below 0 while they are not. */
export class Units {
  count = 0;
  party = new Int32Array(512);
  loop = new Int32Array(512);
  seats = new Int32Array(512);
  lineSince = new Float64Array(512);
  testSince = new Float64Array(512);
  leftAt = new Float64Array(512);

  add(party: number, seats: number): void {
    const unit = this.count;
    if (unit >= this.party.length) this.widen();
    this.count += 1;
    this.party[unit] = party;
    this.loop[unit] = 0;
    this.seats[unit] = seats;
    this.lineSince[unit] = -1;
    this.testSince[unit] = -1;
    this.leftAt[unit] = -1;
  }

  private widen(): void {
    const wide = 2 * this.party.length;
    this.party = widened(this.party, new Int32Array(wide));
    this.loop = widened(this.loop, new Int32Array(wide));
    this.seats = widened(this.seats, new Int32Array(wide));
    this.lineSince = widened(this.lineSince, new Float64Array(wide));
    this.testSince = widened(this.testSince, new Float64Array(wide));
    this.leftAt = widened(this.leftAt, new Float64Array(wide));
  }
}
