import { useEffect, useRef } from "react";
import type { AskError } from "../../shared/client.ts";

/** Waits between sending again by itself, ms: longer each time, so that a busy house is left to breathe. */
const waitsMs = [2000, 5000, 15_000, 30_000, 60_000];

/** True for what passes by itself: no line, a server that is away, busy or out of room. Anything else the family has to see to. */
export function comesAgain({ offline, problem }: AskError): boolean {
  return offline || problem.status >= 500 || problem.status === 429;
}

/** Sends again what could not be sent, by itself: after a while, and when the line is back. */
export function useSendAgain(trouble: AskError | null, send: () => Promise<void>): void {
  const tries = useRef(0);
  // Each refusal is a new one, and begins a new wait.
  useEffect(() => {
    if (trouble === null || !comesAgain(trouble)) {
      tries.current = 0;
      return;
    }
    const again = (): void => void send();
    const wait = waitsMs[Math.min(tries.current, waitsMs.length - 1)];
    tries.current += 1;
    const timer = setTimeout(again, wait);
    window.addEventListener("online", again);
    return () => {
      clearTimeout(timer);
      window.removeEventListener("online", again);
    };
  }, [trouble, send]);
}
