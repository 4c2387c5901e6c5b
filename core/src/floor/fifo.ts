/** A line: first in, first out. */
export class Fifo {
  private whos = new Int32Array(256);
  private from = 0;
  private to = 0;

  clear(): void {
    this.from = 0;
    this.to = 0;
  }

  get isEmpty(): boolean {
    return this.from === this.to;
  }

  /** Who is next; of an empty line nobody knows. */
  get first(): number {
    return this.whos[this.from] as number;
  }

  put(who: number): void {
    if (this.to === this.whos.length) {
      const wider = new Int32Array(2 * this.whos.length);
      wider.set(this.whos);
      this.whos = wider;
    }
    this.whos[this.to] = who;
    this.to += 1;
  }

  take(): number {
    const who = this.first;
    this.from += 1;
    return who;
  }
}
