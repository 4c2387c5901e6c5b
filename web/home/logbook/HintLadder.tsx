import type { SheetRung } from "@lampcrate/contract";
import { dateWords } from "@lampcrate/core";
import { useState } from "react";
import { useWords } from "../../shared/words/useWords.ts";

interface HintLadderProps {
  readonly ladder: readonly SheetRung[];
  /** How often they have tested already. */
  readonly tries: number;
}

interface Hint {
  /** null: it waits for its day. */
  readonly said: string | null;
  readonly rung: SheetRung;
}

/** The brief's hints, one at a time, each rung once its planner lets it: questions before nudges, an example last. */
export function HintLadder({ ladder, tries }: HintLadderProps) {
  const words = useWords();
  const [open, setOpen] = useState(0);
  const hints = ladder.flatMap((rung): readonly Hint[] =>
    rung.opensOn === null ? rung.hints.map((said) => ({ said, rung })) : rung.count > 0 ? [{ said: null, rung }] : [],
  );
  if (hints.length === 0) return null;
  const next = hints[open];
  const shut = next === undefined ? null : shutWords(next.rung, tries, words);
  return (
    <section className="card stacked" aria-labelledby="stuck">
      <h2 id="stuck">{words.log.stuck}</h2>
      {open === 0 ? null : (
        <ul aria-live="polite">
          {hints.slice(0, open).map(({ said }) => (
            <li key={said}>{said}</li>
          ))}
        </ul>
      )}
      {next === undefined ? (
        <p className="small soft">{words.log.hintsDone}</p>
      ) : shut === null ? (
        <div>
          <button type="button" className="plain" onClick={() => setOpen(open + 1)}>
            {open === 0 ? words.log.hintFirst : words.log.hintNext}
          </button>
        </div>
      ) : (
        <p className="small soft">{shut}</p>
      )}
    </section>
  );
}

/** Why a rung is not open yet, in words; null once it is. */
export function shutWords(
  { tries: asked, opensOn }: Pick<SheetRung, "tries" | "opensOn">,
  tries: number,
  words: ReturnType<typeof useWords>,
): string | null {
  if (opensOn !== null) return words.log.hintOn(dateWords(opensOn));
  return tries < asked ? words.log.hintAfter(asked - tries) : null;
}
