import type { TrialInput } from "@lampcrate/contract";
import { type Measure, several, showQuantity, type UnitChoice } from "@lampcrate/core";
import { useId, useState } from "react";
import { useWords } from "../words/useWords.ts";
import { counted } from "./trialEdits.ts";

interface LoadCounterProps {
  readonly measure: Measure;
  readonly units: UnitChoice;
  readonly onDone: (patch: Partial<TrialInput>) => void;
}

/** Loads added one by one, a tap each; it writes what was held and what it gave way at. */
export function LoadCounter({ measure, units, onDone }: LoadCounterProps) {
  const words = useWords();
  const id = useId();
  const tokens = [...(measure.tokens ?? []), ...(measure.token ? [measure.token] : [])];
  const [name, setName] = useState(tokens[0]?.names[0] ?? "");
  const [count, setCount] = useState(0);
  const token = tokens.find((one) => one.names[0] === name);
  const said = (loads: number): string => `${loads} ${loads === 1 ? name : several(name)}`;
  const mass = token?.massKg === undefined ? null : showQuantity(count * token.massKg, "mass", units);
  return (
    <div className="ask stacked near" role="group" aria-label={words.log.counter}>
      {tokens.length > 1 ? (
        <label className="field">
          <span>{words.log.counterOf}</span>
          <select className="typed" value={name} onChange={(event) => setName(event.target.value)}>
            {tokens.map(({ names: [first = ""] }) => (
              <option key={first} value={first}>
                {first}
              </option>
            ))}
          </select>
        </label>
      ) : null}
      <button type="button" className="watch counter" onClick={() => setCount(count + 1)} aria-describedby={id}>
        <strong>{count}</strong>
        <span>{words.log.counterAdd(name)}</span>
      </button>
      <p id={id} role="status" className="small">
        {words.log.counterHolds(said(count), mass)}
      </p>
      <div className="buttons">
        {/* The last one added is the one that broke it. */}
        <button type="button" className="plain lit" disabled={count === 0} onClick={() => onDone(counted(count - 1, true, said))}>
          {words.log.counterBroke}
        </button>
        <button type="button" className="plain" disabled={count === 0} onClick={() => onDone(counted(count, false, said))}>
          {measure.steps?.holds}
        </button>
        <button type="button" className="link" disabled={count === 0} onClick={() => setCount(count - 1)}>
          {words.log.counterLess}
        </button>
      </div>
    </div>
  );
}
