/** What works beside the interface: answers one input at a time, and can be given up. */
export interface Beside<Input, Output> {
  readonly run: (input: Input) => Promise<Output>;
  readonly end: () => void;
}

/** A run that takes longer than this is given up when a newer input comes, worker and all. */
const patienceMs = 300;

/**
 * The one door to a worker. The newest input wins: while one is being reckoned, only the latest of those that come is
 * kept, and an older run's result is never given.
 */
export class LatestDoor<Input, Output> {
  private beside: Beside<Input, Output> | null = null;
  private busySince: number | null = null;
  private waiting: { input: Input; give: (output: Output) => void } | null = null;
  private turn = 0;

  constructor(private readonly open: () => Beside<Input, Output>) {}

  /** Reckons and gives the result, unless a newer input has come by then. */
  ask(input: Input, give: (output: Output) => void): void {
    if (this.busySince !== null && performance.now() - this.busySince < patienceMs) {
      this.waiting = { input, give };
      return;
    }
    if (this.busySince !== null) this.close();
    this.start(input, give);
  }

  /** Ends the worker and forgets what it was doing. */
  close(): void {
    this.turn += 1;
    this.beside?.end();
    this.beside = null;
    this.busySince = null;
    this.waiting = null;
  }

  private start(input: Input, give: (output: Output) => void): void {
    this.turn += 1;
    const turn = this.turn;
    this.busySince = performance.now();
    this.beside ??= this.open();
    void this.beside.run(input).then((output) => {
      if (turn !== this.turn) return;
      this.busySince = null;
      const next = this.waiting;
      this.waiting = null;
      if (next) this.start(next.input, next.give);
      else give(output);
    });
  }
}
