/** What works beside the interface: answers one input at a time, and can be given up. */
export interface Beside<Input, Output> {
  readonly run: (input: Input) => Promise<Output>;
  readonly end: () => void;
}

/** A run that takes longer than this is given up when a newer input comes, worker and all. */
const patienceMs = 300;

interface Asked<Input, Output> {
  readonly input: Input;
  readonly give: (output: Output) => void;
  /** Told why it could not be reckoned. */
  readonly fail: (why: string) => void;
}

/**
 * The one door to a worker. The newest input wins: while one is being reckoned, only the latest of those that come is
 * kept, and an older run's result is never given. A worker that fails is ended, and a new one opened for what is asked next.
 */
export class LatestDoor<Input, Output> {
  private beside: Beside<Input, Output> | null = null;
  private busySince: number | null = null;
  private waiting: Asked<Input, Output> | null = null;
  private turn = 0;

  constructor(private readonly open: () => Beside<Input, Output>) {}

  /** Reckons and gives the result, or says why it can't, unless a newer input has come by then. */
  ask(input: Input, give: (output: Output) => void, fail: (why: string) => void): void {
    const asked = { input, give, fail };
    if (this.busySince !== null && performance.now() - this.busySince < patienceMs) {
      this.waiting = asked;
      return;
    }
    if (this.busySince !== null) this.close();
    this.start(asked);
  }

  /** Ends the worker and forgets what it was doing. */
  close(): void {
    this.turn += 1;
    this.beside?.end();
    this.beside = null;
    this.busySince = null;
    this.waiting = null;
  }

  private start({ input, give, fail }: Asked<Input, Output>): void {
    this.turn += 1;
    const turn = this.turn;
    this.busySince = performance.now();
    const ended = (tell: () => void): void => {
      if (turn !== this.turn) return;
      this.busySince = null;
      const next = this.waiting;
      this.waiting = null;
      if (next) this.start(next);
      else tell();
    };
    this.beside ??= this.open();
    this.beside.run(input).then(
      (output) => ended(() => give(output)),
      (error: unknown) => {
        if (turn !== this.turn) return;
        this.beside?.end();
        this.beside = null;
        ended(() => fail(error instanceof Error ? error.message : String(error)));
      },
    );
  }
}
