import { type Field, readSetting, settingUnit, showQuantity, type UnitChoice } from "@lampcrate/core";
import { useId } from "react";
import { useRested } from "../useRested.ts";
import { useWords } from "../words/useWords.ts";
import { restMs } from "./restMs.ts";

interface SettingBoxProps {
  readonly number: number;
  readonly field: Field;
  readonly typed: string | null;
  /** What to try next, SI; offered until something is typed. */
  readonly offered: number | null;
  readonly units: UnitChoice;
  readonly onType: (typed: string | null) => void;
}

/** What a trial is tried at: its drop, its load, the side that is hit. */
export function SettingBox({ number, field, typed, offered, units, onType }: SettingBoxProps) {
  const words = useWords();
  const id = useId();
  const written = useRested(typed, restMs) === typed;
  const label = words.log.triedAt(number, field.words);
  if (field.kind === "choice")
    return (
      <label className="field">
        <span>{label}</span>
        <select className="typed" value={typed ?? ""} onChange={(event) => onType(event.target.value || null)}>
          <option value="">–</option>
          {field.options.map((option) => (
            <option key={option.id} value={option.id}>
              {option.words}
            </option>
          ))}
        </select>
      </label>
    );
  const unit = settingUnit(field);
  const { at, trouble } = readSetting(typed, field);
  const next = offered === null ? null : showQuantity(offered, field.dimension, units, unit);
  return (
    <>
      <div className="trial wide">
        <label htmlFor={id}>{unit === null ? label : `${label}, ${unit}`}</label>
        <input
          id={id}
          className="typed"
          inputMode="decimal"
          maxLength={60}
          value={typed ?? ""}
          aria-invalid={written && trouble !== null}
          aria-describedby={`${id}-says`}
          onChange={(event) => onType(event.target.value === "" ? null : event.target.value)}
        />
        <strong>{typeof at === "number" ? showQuantity(at, field.dimension, units) : ""}</strong>
      </div>
      {next !== null && typed === null ? (
        <div>
          <button type="button" className="link" onClick={() => onType(next)}>
            {words.log.tryNext(next)}
          </button>
        </div>
      ) : null}
      <p id={`${id}-says`} role="status" className="trouble-text says">
        {written ? trouble : null}
      </p>
    </>
  );
}
