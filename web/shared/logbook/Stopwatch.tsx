import { useEffect, useRef, useState } from "react";
import { useWords } from "../words/useWords.ts";

/** A stopwatch as large as a hand: press to start, press to stop, and the time goes to the next empty trial. Space bar too. */
export function Stopwatch({ next, onTime }: { readonly next: number | null; readonly onTime: (seconds: number) => void }) {
  const words = useWords();
  const started = useRef<number | null>(null);
  const [running, setRunning] = useState(false);
  const [shown, setShown] = useState(0);
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => setShown(performance.now() - (started.current ?? 0)), 50);
    return () => clearInterval(timer);
  }, [running]);
  const press = (at: number): void => {
    if (started.current === null) {
      if (next === null) return;
      started.current = at;
      setRunning(true);
      return;
    }
    const ms = at - started.current;
    started.current = null;
    setRunning(false);
    setShown(ms);
    onTime(ms / 1000);
  };
  return (
    <button
      type="button"
      className={running ? "watch running" : "watch"}
      disabled={next === null && !running}
      onPointerDown={(event) => press(event.timeStamp)}
      onKeyDown={(event) => {
        if ((event.key !== " " && event.key !== "Enter") || event.repeat) return;
        event.preventDefault();
        press(event.timeStamp);
      }}
      onKeyUp={(event) => event.key === " " && event.preventDefault()}
    >
      <strong>{(shown / 1000).toFixed(2)} s</strong>
      <span>{running ? words.log.stop : next === null ? words.log.full : `${words.log.start}, ${words.log.timed(next)}`}</span>
    </button>
  );
}
