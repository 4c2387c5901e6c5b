import { isMissed, practiceGoes, type Timer, timerFrom } from "@lampcrate/core";
import { useEffect, useRef, useState } from "react";

/** Where a go of the practice stands. */
export type Go =
  | { readonly at: "ready" }
  /** The marker hangs, and will be let go by itself. */
  | { readonly at: "hanging" }
  | { readonly at: "falling" }
  /** It is over: how it went is told. */
  | { readonly at: "over"; readonly errorS: number; readonly missed: boolean };

export interface Practice {
  readonly go: Go;
  /** Goes that count so far. */
  readonly kept: number;
  /** How far the marker has come, 0 to 1. */
  readonly way: number;
  /** Set once enough goes count. */
  readonly found: Timer | null;
  readonly press: (at: number) => void;
  readonly again: () => void;
}

/** The marker falls for so long, s, drawn anew each time; it hangs for a while before, so that nobody counts. */
const fallS = { least: 0.8, most: 3 };
const hangS = { least: 0.8, most: 2 };

const drawn = ({ least, most }: { readonly least: number; readonly most: number }): number => least + (most - least) * Math.random();

/**
 * Practice at timing a fall whose true time the device knows: press when the marker is let go, press when it lands.
 * A press that is more than half a second off is a missed one, and its go comes again. Times are of the presses
 * themselves, as the device marks them.
 */
export function usePractice(): Practice {
  const [errors, setErrors] = useState<readonly number[]>([]);
  const [go, setGo] = useState<Go>({ at: "ready" });
  const [way, setWay] = useState(0);
  const fall = useRef({ from: 0, seconds: 0, pressed: 0 });
  const falling = go.at === "hanging" || go.at === "falling";
  useEffect(() => {
    if (!falling) return;
    let asked = requestAnimationFrame(function draw(now: number) {
      const since = (now - fall.current.from) / 1000;
      // As things fall: the way grows with the square of the time.
      setWay(Math.min(1, Math.max(0, since / fall.current.seconds) ** 2));
      asked = requestAnimationFrame(draw);
    });
    return () => cancelAnimationFrame(asked);
  }, [falling]);
  const end = (errorS: number): void => {
    const missed = isMissed(errorS);
    if (!missed) setErrors((before) => [...before, errorS]);
    setGo({ at: "over", errorS, missed });
  };
  const press = (at: number): void => {
    if (go.at === "ready" || go.at === "over") {
      fall.current = { from: at + 1000 * drawn(hangS), seconds: drawn(fallS), pressed: 0 };
      setWay(0);
      setGo({ at: "hanging" });
    } else if (go.at === "hanging") {
      fall.current.pressed = at;
      setGo({ at: "falling" });
    } else end((at - fall.current.pressed) / 1000 - fall.current.seconds);
  };
  const timer = errors.length >= practiceGoes ? timerFrom(errors) : null;
  return {
    go,
    kept: errors.length,
    way,
    found: timer && { spread: timer.spread, bias: timer.bias },
    press,
    again: () => {
      setErrors([]);
      setWay(0);
      setGo({ at: "ready" });
    },
  };
}
