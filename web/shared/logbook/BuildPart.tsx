import type { VersionInput } from "@lampcrate/contract";
import { readGuess } from "@lampcrate/core";
import type { ReactNode } from "react";
import { useWords } from "../words/useWords.ts";
import { AboutTest } from "./AboutTest.tsx";
import { isUsed } from "./trialEdits.ts";
import type { Tried } from "./tried.ts";
import { VariableFields } from "./VariableFields.tsx";
import { plainVariables } from "./versions.ts";

interface BuildPartProps {
  /** Of the heading, which names the whole version. */
  readonly id: string;
  readonly title: string;
  readonly first: boolean;
  readonly tried: Tried;
  readonly version: VersionInput;
  readonly pictures: ReactNode;
  readonly onChange: (version: VersionInput) => void;
}

/** What was built: what changed, what it is declared to be, a guess, pictures. */
export function BuildPart({ id, title, first, tried: { family, spec, design, units }, version, pictures, onChange }: BuildPartProps) {
  const words = useWords();
  const [measure] = family.measures(spec);
  const { trouble: unreadGuess } = readGuess(version.guess, measure, first);
  return (
    <div className="stacked near" data-stop={words.walk.build(title)} tabIndex={-1}>
      <h2 id={id}>{title}</h2>
      <label className="field">
        <span>{first ? words.log.changedFirst : words.log.changed}</span>
        <input
          className="typed"
          maxLength={240}
          value={version.changed}
          onChange={(event) => onChange({ ...version, changed: event.target.value })}
        />
      </label>
      <VariableFields
        family={family}
        spec={spec}
        units={units}
        values={version.variables}
        plain={first ? plainVariables(family, spec, design) : null}
        onChange={(variables) => onChange({ ...version, variables })}
      />
      <label className="field">
        <span>{words.log.guess(measure.words)}</span>
        <input
          className="typed"
          maxLength={60}
          inputMode="text"
          placeholder={first ? undefined : words.log.guessMore}
          value={version.guess ?? ""}
          aria-invalid={unreadGuess !== null}
          aria-describedby={`${id}-guess`}
          onChange={(event) => onChange({ ...version, ...guessOf(version, event.target.value) })}
        />
      </label>
      <p id={`${id}-guess`} role="status" className="trouble-text says">
        {unreadGuess}
      </p>
      {pictures}
      <AboutTest version={version} onChange={onChange} />
    </div>
  );
}

/** A guess, and whether it was made before anything came out. */
const guessOf = ({ trials }: VersionInput, typed: string): Pick<VersionInput, "guess" | "guessed"> =>
  typed === "" ? { guess: null, guessed: null } : { guess: typed, guessed: trials.some(isUsed) ? "after" : "before" };
