import type { SheetDoc } from "@lampcrate/contract";
import { type NamedToken, parseQuantity, showQuantity, weighedEach } from "@lampcrate/core";
import { useState } from "react";
import { useWords } from "../../shared/words/useWords.ts";
import { familyOf } from "../family.ts";

interface OwnThingsProps {
  readonly sheet: SheetDoc;
  readonly tokens: readonly NamedToken[];
  readonly onChange: (tokens: readonly NamedToken[]) => void;
}

/** The step of a kitchen scale, kg. */
const stepKg = 0.001;

const blank = { name: "", count: "10", mass: "" };

/** Loads counted in things of one's own: named, and weighed several together. Only where loads are what is measured. */
export function OwnThings({ sheet, tokens, onChange }: OwnThingsProps) {
  const words = useWords();
  const [typed, setTyped] = useState(blank);
  const [measure] = familyOf(sheet.brief).measures(sheet.brief.spec);
  if (measure.numberless || (measure.dimension !== "mass" && measure.token === undefined)) return null;
  const name = typed.name.trim();
  const mass = parseQuantity(typed.mass, { dimension: "mass", defaultUnit: "g" });
  const count = Number(typed.count);
  const isWeighed = typed.mass.trim() !== "";
  const trouble =
    name !== "" && !/^[a-z][a-z ]*$/i.test(name)
      ? words.log.thingLetters
      : tokens.some((token) => token.name.toLowerCase() === name.toLowerCase())
        ? words.log.thingTwice
        : null;
  const ready = name !== "" && trouble === null && (!isWeighed || (mass.ok && mass.si > 0 && Number.isInteger(count) && count > 0));
  const add = (): void => {
    const weighed = isWeighed && mass.ok ? { count, togetherKg: mass.si, stepKg } : null;
    onChange([...tokens, { name, massKg: weighed && weighedEach(weighed).massKg, weighed }]);
    setTyped(blank);
  };
  const box = (part: keyof typeof blank, label: string, mode: "text" | "decimal" | "numeric", most: number) => (
    <label className="field">
      <span>{label}</span>
      <input
        className="typed"
        inputMode={mode}
        maxLength={most}
        value={typed[part]}
        onChange={(event) => setTyped({ ...typed, [part]: event.target.value })}
      />
    </label>
  );
  return (
    <details className="card" open={tokens.length > 0}>
      <summary>{words.log.things}</summary>
      <div className="stacked near above">
        <p className="small">{words.log.thingsHint}</p>
        {tokens.map((token) => (
          <p key={token.name} className="buttons">
            <span>{eachWords(token, sheet.units, words)}</span>
            <button type="button" className="link" onClick={() => onChange(tokens.filter((one) => one !== token))}>
              {words.log.thingGone}
            </button>
          </p>
        ))}
        {box("name", words.log.thingName, "text", 30)}
        <p role="status" className="trouble-text says">
          {trouble}
        </p>
        <div className="pair">
          {box("count", words.log.thingCount, "numeric", 5)}
          {box("mass", words.log.thingMass, "decimal", 12)}
        </div>
        <div>
          <button type="button" className="plain" disabled={!ready} onClick={add}>
            {words.log.thingAdd}
          </button>
        </div>
      </div>
    </details>
  );
}

function eachWords({ name, massKg, weighed }: NamedToken, units: SheetDoc["units"], words: ReturnType<typeof useWords>): string {
  if (massKg === null) return words.log.thingOpen(name);
  const off = weighed === null ? 0 : weighedEach(weighed).offKg;
  return words.log.thingEach(name, showQuantity(massKg, "mass", units), showQuantity(off, "mass", units));
}
