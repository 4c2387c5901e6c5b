/* Steps through a film on the device, frame by frame. Each frame's own time is what the film itself says, s. */

/** The frame that is shown. */
interface ShownFrame {
  readonly mediaTime: number;
}

/** How long a frame is waited for after a jump, ms: a jump within the same frame shows none. */
const patienceMs = 250;

/** Frames lie at most so far apart, s; a film of fewer than four a second can time nothing. */
const mostGapS = 0.25;

/** Whether this browser can say which frame it shows. */
export const canStep = (): boolean => "requestVideoFrameCallback" in HTMLVideoElement.prototype;

/** A film that is looked at frame by frame. */
export class Frames {
  /** How far the last two frames lay apart, s: where the next is looked for. */
  private gap = 1 / 30;

  constructor(private readonly film: HTMLVideoElement) {}

  /** Shows the frame at a place; gives its own time, s. */
  async at(seconds: number): Promise<number> {
    const wanted = Math.min(Math.max(0, seconds), Math.max(0, this.film.duration - 1e-3));
    const shown = await this.jump(wanted);
    // Jumping to where one is shows nothing anew: one step back and forth does.
    return shown ?? (await this.jump(Math.max(0, wanted - 0.05))) ?? wanted;
  }

  /** Shows the next frame after the one at `now`; gives its time, or `now` when that was the last. */
  async after(now: number): Promise<number> {
    for (let ahead = 0.6 * this.gap; ahead <= mostGapS; ahead += 0.5 * this.gap) {
      if (now + ahead >= this.film.duration) return now;
      const shown = await this.jump(now + ahead);
      if (shown !== null && shown > now + 1e-6) {
        this.gap = shown - now;
        return shown;
      }
    }
    return now;
  }

  /** Shows the frame before the one at `now`; gives its time, or `now` when that was the first. */
  async before(now: number): Promise<number> {
    for (let back = 0.4 * this.gap; back <= mostGapS && now - back > -this.gap; back += 0.5 * this.gap) {
      const shown = await this.jump(Math.max(0, now - back));
      if (shown !== null && shown < now - 1e-6) {
        this.gap = now - shown;
        return shown;
      }
    }
    return now;
  }

  /** How far frames lie apart here, s. */
  frameS(): number {
    return this.gap;
  }

  /** Jumps, and waits for the frame that comes of it; null when none came. */
  private jump(to: number): Promise<number | null> {
    const { film } = this;
    return new Promise((give) => {
      let handle = 0;
      let timer: ReturnType<typeof setTimeout> | undefined;
      const end = (shown: number | null): void => {
        clearTimeout(timer);
        film.removeEventListener("seeked", sought);
        film.cancelVideoFrameCallback(handle);
        give(shown);
      };
      const sought = (): void => {
        timer = setTimeout(() => end(null), patienceMs);
      };
      handle = film.requestVideoFrameCallback((_, { mediaTime }: ShownFrame) => end(mediaTime));
      film.addEventListener("seeked", sought);
      film.currentTime = to;
    });
  }
}
