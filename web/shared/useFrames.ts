import { useEffect, useRef } from "react";

/** Tells, picture by picture while it runs, how many ms have passed since the one before. */
export function useFrames(running: boolean, tick: (passedMs: number) => void): void {
  const latest = useRef(tick);
  latest.current = tick;
  useEffect(() => {
    if (!running) return;
    let frame = 0;
    let before: number | null = null;
    const run = (at: number): void => {
      latest.current(before === null ? 0 : at - before);
      before = at;
      frame = requestAnimationFrame(run);
    };
    frame = requestAnimationFrame(run);
    return () => cancelAnimationFrame(frame);
  }, [running]);
}
