import { useEffect, useRef, useState } from "react";
import { useWords } from "../words/useWords.ts";

interface StopwatchProps {
  /** The trial that the next time goes to, from 1; null where all are full. */
  readonly next: number | null;
  readonly onTime: (seconds: number) => void;
  /** The time of that trial is taken back. */
  readonly onTakeBack: (trial: number) => void;
}

/** No hand starts and stops a fall as quickly as this, s: a double tap does. */
const hastyS = 0.25;

/** A stopwatch as large as a hand: press to start, press to stop, and the time goes to the next empty trial. It acts as any button does, for fingers, keys, voice and switches. */
export function Stopwatch({ next, onTime, onTakeBack }: StopwatchProps) {
  const words = useWords();
  const started = useRef<number | null>(null);
  const [running, setRunning] = useState(false);
  const [shown, setShown] = useState(0);
  const [hasty, setHasty] = useState<number | null>(null);
  const [last, setLast] = useState<number | null>(null);
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => setShown(performance.now() - (started.current ?? 0)), 50);
    return () => clearInterval(timer);
  }, [running]);
  const keep = (seconds: number): void => {
    setHasty(null);
    setLast(next);
    onTime(seconds);
  };
  const press = (at: number): void => {
    setHasty(null);
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
    if (ms / 1000 < hastyS) setHasty(ms / 1000);
    else keep(ms / 1000);
  };
  return (
    <div className="stacked near">
      <button
        type="button"
        className={running ? "watch running" : "watch"}
        disabled={next === null && !running}
        onClick={(event) => press(event.timeStamp)}
      >
        <strong>{(shown / 1000).toFixed(2)} s</strong>
        <span>{running ? words.log.stop : next === null ? words.log.full : `${words.log.start}, ${words.log.timed(next)}`}</span>
      </button>
      <div role="status" className="says">
        {hasty === null ? null : (
          <div className="ask">
            <p>{words.log.hasty(hasty.toFixed(2))}</p>
            <div className="buttons">
              <button type="button" className="plain" onClick={() => setHasty(null)}>
                {words.log.hastyNo}
              </button>
              <button type="button" className="plain" onClick={() => keep(hasty)}>
                {words.log.hastyKeep}
              </button>
            </div>
          </div>
        )}
      </div>
      {last === null || running ? null : (
        <div>
          <button
            type="button"
            className="link"
            onClick={() => {
              setLast(null);
              setShown(0);
              onTakeBack(last);
            }}
          >
            {words.log.takeBack(last)}
          </button>
        </div>
      )}
    </div>
  );
}
