import { useCallback, useState } from "react";
import { useFrames } from "../../shared/useFrames.ts";
import { useMedia } from "../../shared/useMedia.ts";

/** One clock for rigs that are let go together. */
export interface Clock {
  /** Seconds of the test's own time; null while all is held. */
  readonly timeS: number | null;
  readonly letGo: () => void;
  readonly hold: () => void;
  /** How many times slower than it is, so that an eye can follow. */
  readonly slower: number;
  /** The person asked for less motion: the stills and the words say it. */
  readonly still: boolean;
}

/** Tests shorter than this are shown slower. */
const followableS = 1.6;

/** Runs from 0 to the longest test, then holds its end. A new design (another object `of`) puts everything back. */
export function useClock(longestS: number, of: unknown): Clock {
  const [run, setRun] = useState<{ readonly of: unknown; readonly timeS: number } | null>(null);
  const timeS = run !== null && run.of === of ? run.timeS : null;
  const still = useMedia("(prefers-reduced-motion: reduce)");
  const slower = longestS >= followableS ? 1 : Math.min(6, Math.max(2, Math.round(followableS / Math.max(longestS, 0.05))));
  const running = timeS !== null && timeS < longestS;
  useFrames(running, (passedMs) => setRun((now) => now && { ...now, timeS: Math.min(longestS, now.timeS + passedMs / 1000 / slower) }));
  const letGo = useCallback(() => setRun(still ? null : { of, timeS: 0 }), [still, of]);
  const hold = useCallback(() => setRun(null), []);
  return { timeS, letGo, hold, slower, still };
}
