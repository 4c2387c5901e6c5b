import type { MineDoc } from "@lampcrate/contract";
import { useState } from "react";
import { useWords } from "../../shared/words/useWords.ts";

interface AskedProps {
  readonly asks: MineDoc["entry"]["asks"];
  readonly onAnswer: (id: string, answer: string) => Promise<unknown>;
}

/** What the house wants to know of this entry; the answer goes back to whoever looks at it. */
export function Asked({ asks, onAnswer }: AskedProps) {
  const words = useWords().mine;
  if (asks.length === 0) return null;
  return (
    <section className="card stacked" aria-labelledby="asked">
      <h2 id="asked">{words.asked}</h2>
      {asks.map((one) => (
        <div key={one.id} className="stacked near">
          <p>{one.words}</p>
          {one.answer === null ? (
            <Answer onAnswer={(answer) => onAnswer(one.id, answer)} />
          ) : (
            <p className="soft">{words.answered(one.answer)}</p>
          )}
        </div>
      ))}
    </section>
  );
}

function Answer({ onAnswer }: { readonly onAnswer: (answer: string) => Promise<unknown> }) {
  const words = useWords().mine;
  const [typed, setTyped] = useState("");
  const [busy, setBusy] = useState(false);
  const send = async (): Promise<void> => {
    setBusy(true);
    await onAnswer(typed.trim());
    setBusy(false);
  };
  return (
    <>
      <label className="field">
        <span>{words.answer}</span>
        <textarea className="typed" maxLength={400} value={typed} onChange={(event) => setTyped(event.target.value)} />
      </label>
      <div>
        <button type="button" className="plain lit" disabled={busy || typed.trim() === ""} onClick={() => void send()}>
          {words.sendAnswer}
        </button>
      </div>
    </>
  );
}
