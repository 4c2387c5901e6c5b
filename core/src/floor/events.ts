/** What happens, in the order in which what happens at the same moment is taken. */
export const happens = { closing: 0, testEnds: 1, buildEnds: 2, welcomeEnds: 3, givesUp: 4, arrives: 5, stop: 6 } as const;

/** More events than this of one day would mix up their order. */
const perKind = 2 ** 40;

/** Events by time, then kind, then the order in which they were foreseen: a binary heap in plain arrays, used again each day. */
export class Events {
  private times = new Float64Array(1024);
  private keys = new Float64Array(1024);
  private whos = new Int32Array(1024);
  private size = 0;
  private foreseen = 0;
  /** The event taken last. */
  time = 0;
  kind = 0;
  who = 0;

  clear(): void {
    this.size = 0;
    this.foreseen = 0;
  }

  /** When the next one comes; endless where none does. */
  get nextTime(): number {
    return this.size === 0 ? Number.POSITIVE_INFINITY : (this.times[0] ?? 0);
  }

  /** The kind of the next one. */
  get nextKind(): number {
    return Math.floor((this.keys[0] ?? 0) / perKind);
  }

  put(time: number, kind: number, who: number): void {
    if (this.size === this.times.length) this.grow();
    const key = kind * perKind + this.foreseen;
    this.foreseen += 1;
    const { times, keys, whos } = this;
    let at = this.size;
    this.size += 1;
    while (at > 0) {
      const up = (at - 1) >> 1;
      const upTime = times[up] as number;
      if (upTime < time || (upTime === time && (keys[up] as number) < key)) break;
      times[at] = upTime;
      keys[at] = keys[up] as number;
      whos[at] = whos[up] as number;
      at = up;
    }
    times[at] = time;
    keys[at] = key;
    whos[at] = who;
  }

  /** Takes the next one out: `time`, `kind` and `who` are its. */
  take(): void {
    const { times, keys, whos } = this;
    this.time = times[0] as number;
    this.kind = Math.floor((keys[0] as number) / perKind);
    this.who = whos[0] as number;
    this.size -= 1;
    const [time, key, who] = [times[this.size] as number, keys[this.size] as number, whos[this.size] as number];
    let at = 0;
    for (;;) {
      let down = 2 * at + 1;
      if (down >= this.size) break;
      const right = down + 1;
      if (
        right < this.size &&
        ((times[right] as number) < (times[down] as number) ||
          (times[right] === times[down] && (keys[right] as number) < (keys[down] as number)))
      )
        down = right;
      const downTime = times[down] as number;
      if (time < downTime || (time === downTime && key < (keys[down] as number))) break;
      times[at] = downTime;
      keys[at] = keys[down] as number;
      whos[at] = whos[down] as number;
      at = down;
    }
    times[at] = time;
    keys[at] = key;
    whos[at] = who;
  }

  private grow(): void {
    const wider = <T extends Float64Array | Int32Array>(from: T, to: T): T => {
      to.set(from);
      return to;
    };
    this.times = wider(this.times, new Float64Array(2 * this.times.length));
    this.keys = wider(this.keys, new Float64Array(2 * this.keys.length));
    this.whos = wider(this.whos, new Int32Array(2 * this.whos.length));
  }
}
