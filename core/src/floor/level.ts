/** How many there are of something over a day, and the most there ever were for longer than no time. */
export class Level {
  private now = 0;
  private since = 0;
  private most = 0;

  begin(): void {
    this.now = 0;
    this.since = 0;
    this.most = 0;
  }

  change(by: number, time: number): void {
    this.settle(time);
    this.now += by;
  }

  /** The most by the end of the day. */
  ended(time: number): number {
    this.settle(time);
    return this.most;
  }

  private settle(time: number): void {
    if (time <= this.since) return;
    if (this.now > this.most) this.most = this.now;
    this.since = time;
  }
}
