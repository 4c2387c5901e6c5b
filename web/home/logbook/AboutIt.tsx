import type { AgeBand } from "@lampcrate/contract";
import { useWords } from "../../shared/words/useWords.ts";
import { AgeChoice } from "./AgeChoice.tsx";

interface AboutItProps {
  readonly ageBand: AgeBand | null;
  readonly said: string;
  /** To talk over before anything is written. */
  readonly questions: readonly string[];
  readonly onChange: (patch: { readonly ageBand?: AgeBand | null; readonly said?: string }) => void;
}

/** What a family may tell beside its numbers: how old the builders are, and a word to the house. */
export function AboutIt({ ageBand, said, questions, onChange }: AboutItProps) {
  const words = useWords();
  return (
    <>
      <AgeChoice value={ageBand} onChange={(next) => onChange({ ageBand: next })} />
      <label className="field">
        <span>{words.log.said}</span>
        {questions.length > 0 ? <span className="small soft">{questions.join(" ")}</span> : null}
        <textarea className="typed" maxLength={600} value={said} onChange={(event) => onChange({ said: event.target.value })} />
      </label>
    </>
  );
}
