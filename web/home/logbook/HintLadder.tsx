import type { BriefDoc } from "@lampcrate/contract";
import { useState } from "react";
import { useWords } from "../../shared/words/useWords.ts";

const rungs = ["question", "nudge", "example"] as const;

/** The brief's hints, one rung at a time: questions before nudges, an example last. */
export function HintLadder({ hints }: { readonly hints: BriefDoc["hints"] }) {
  const words = useWords();
  const [open, setOpen] = useState(0);
  const ladder = rungs.flatMap((rung) => hints.filter((hint) => hint.rung === rung));
  if (ladder.length === 0) return null;
  return (
    <section className="card stacked" aria-labelledby="stuck">
      <h2 id="stuck">{words.log.stuck}</h2>
      {open === 0 ? null : (
        <ul aria-live="polite">
          {ladder.slice(0, open).map((hint) => (
            <li key={hint.id}>{hint.words}</li>
          ))}
        </ul>
      )}
      {open < ladder.length ? (
        <div>
          <button type="button" className="plain" onClick={() => setOpen(open + 1)}>
            {open === 0 ? words.log.hintFirst : words.log.hintNext}
          </button>
        </div>
      ) : (
        <p className="small soft">{words.log.hintsDone}</p>
      )}
    </section>
  );
}
