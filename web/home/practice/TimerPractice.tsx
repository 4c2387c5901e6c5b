import { practiceGoes, type Timer } from "@lampcrate/core";
import { useEffect } from "react";
import { useWords } from "../../shared/words/useWords.ts";
import "./practice.css";
import { keepTimer } from "./keptTimer.ts";
import { type Practice, usePractice } from "./usePractice.ts";

interface TimerPracticeProps {
  /** What is known of whoever times; null before they practised. */
  readonly timer: Timer | null;
  readonly onChange: (timer: Timer | null) => void;
}

/** Practice at the stopwatch: eight falls that the device knows the time of. What comes of it makes this person's times count for what they are. */
export function TimerPractice({ timer, onChange }: TimerPracticeProps) {
  const words = useWords().practice;
  return (
    <details className="card">
      <summary>{words.title}</summary>
      <div className="stacked near above">
        <p className="small">{words.why(practiceGoes)}</p>
        {timer === null ? <Falls onFound={onChange} /> : <Known timer={timer} onForget={() => onChange(null)} />}
      </div>
    </details>
  );
}

/** What the practice came to, and the way to do it anew. */
function Known({ timer: { spread, bias }, onForget }: { readonly timer: Timer; readonly onForget: () => void }) {
  const words = useWords().practice;
  return (
    <>
      <p className="plain-words" role="status">
        {words.found(spread.toFixed(2), Math.abs(bias).toFixed(2), bias >= 0)}
      </p>
      <div>
        <button
          type="button"
          className="link"
          onClick={() => {
            keepTimer(null);
            onForget();
          }}
        >
          {words.anew}
        </button>
      </div>
    </>
  );
}

/** The falls themselves. */
function Falls({ onFound }: { readonly onFound: (timer: Timer) => void }) {
  const words = useWords().practice;
  const practice = usePractice();
  const { found } = practice;
  useEffect(() => {
    if (!found) return;
    keepTimer(found);
    onFound(found);
  });
  return (
    <>
      <div className="fall" aria-hidden="true">
        <div className="falling" style={{ top: `${practice.way * 100}%` }} />
      </div>
      <button type="button" className="watch" onClick={(event) => practice.press(event.timeStamp)}>
        <span>{words.presses[practice.go.at]}</span>
      </button>
      <p role="status">{told(practice, words)}</p>
    </>
  );
}

function told({ go, kept }: Practice, words: ReturnType<typeof useWords>["practice"]): string {
  if (go.at !== "over") return words.done(kept, practiceGoes);
  if (go.missed) return words.missed;
  return `${words.off(Math.abs(go.errorS).toFixed(2), go.errorS >= 0)} ${words.done(kept, practiceGoes)}`;
}
