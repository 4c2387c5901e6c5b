import { useEffect, useRef, useState } from "react";
import type { LatestDoor } from "./latestDoor.ts";

/** A result as last reckoned; `slow` when the newest has taken over half a second. */
export interface Latest<Output> {
  readonly output: Output | null;
  readonly slow: boolean;
}

/** Reckons beside the interface whenever the input changes (by its JSON); the newest input wins. `name` marks each run for measuring. */
export function useLatest<Input, Output extends { readonly tookMs: number }>(
  open: () => LatestDoor<Input, Output>,
  input: Input,
  name: string,
): Latest<Output> {
  const door = useRef<LatestDoor<Input, Output> | null>(null);
  const opened = useRef(open);
  const [output, setOutput] = useState<Output | null>(null);
  const [slow, setSlow] = useState(false);
  const key = JSON.stringify(input);
  useEffect(() => {
    const asked = performance.now();
    const late = setTimeout(() => setSlow(true), 500);
    door.current ??= opened.current();
    door.current.ask(JSON.parse(key) as Input, (next) => {
      clearTimeout(late);
      setSlow(false);
      setOutput(next);
      performance.measure(name, { start: asked, end: performance.now(), detail: { tookMs: next.tookMs } });
    });
    return () => clearTimeout(late);
  }, [key, name]);
  useEffect(
    () => () => {
      door.current?.close();
      door.current = null;
    },
    [],
  );
  return { output, slow };
}
