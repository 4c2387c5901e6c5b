import { useCallback, useEffect, useRef, useState } from "react";
import { useSame } from "../useSame.ts";
import type { LatestDoor } from "./latestDoor.ts";

/** A result as last reckoned; `slow` when the newest has taken over half a second. */
export interface Latest<Output> {
  readonly output: Output | null;
  readonly slow: boolean;
  /** Why the newest could not be reckoned; null while nothing is wrong. */
  readonly trouble: string | null;
  readonly again: () => void;
}

/** Reckons beside the interface whenever anything in the input changes; the newest input wins. `name` marks each run for measuring. */
export function useLatest<Input, Output extends { readonly tookMs: number }>(
  open: () => LatestDoor<Input, Output>,
  input: Input,
  name: string,
): Latest<Output> {
  const door = useRef<LatestDoor<Input, Output> | null>(null);
  const opened = useRef(open);
  const [output, setOutput] = useState<Output | null>(null);
  const [slow, setSlow] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [round, setRound] = useState(0);
  const same = useSame(input);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new round reckons the same input again
  useEffect(() => {
    const asked = performance.now();
    const late = setTimeout(() => setSlow(true), 500);
    const ended = (why: string | null): void => {
      clearTimeout(late);
      setSlow(false);
      setTrouble(why);
    };
    door.current ??= opened.current();
    door.current.ask(
      same,
      (next) => {
        ended(null);
        setOutput(next);
        performance.measure(name, { start: asked, end: performance.now(), detail: { tookMs: next.tookMs } });
      },
      ended,
    );
    return () => clearTimeout(late);
  }, [same, name, round]);
  useEffect(
    () => () => {
      door.current?.close();
      door.current = null;
    },
    [],
  );
  const again = useCallback(() => setRound((n) => n + 1), []);
  return { output, slow, trouble, again };
}
