import { type NamedToken, parseQuantity, refusalWords, showQuantity, type UnitChoice, weighedEach } from "@lampcrate/core";
import { Input, InputNumber } from "antd";
import { useState } from "react";
import { Button } from "./Button.tsx";
import { Labelled } from "./Labelled.tsx";

interface TokenListProps {
  readonly words: string;
  readonly units: UnitChoice;
  /** Named by the house: taken over by a press. */
  readonly offered: readonly NamedToken[];
  readonly tokens: readonly NamedToken[];
  readonly onChange: (tokens: readonly NamedToken[], words: string) => void;
}

/** The step of a kitchen scale, kg. */
const stepKg = 0.001;

const blank = { name: "", count: 10, mass: "" };

/** Things that loads are counted in, with the mass of one where somebody weighed several together. */
export function TokenList({ words, units, offered, tokens, onChange }: TokenListProps) {
  const [typed, setTyped] = useState(blank);
  const name = typed.name.trim().toLowerCase();
  const asked = { dimension: "mass", defaultUnit: units === "metric" ? "g" : "oz" } as const;
  const mass = parseQuantity(typed.mass, asked);
  const nameTrouble =
    name === ""
      ? null
      : !/^[a-z][a-z ]*$/.test(name)
        ? "By letters only, such as coin or storybook."
        : tokens.some((token) => token.name === name)
          ? "That is named already."
          : null;
  const massTrouble =
    typed.mass === "" ? null : !mass.ok ? refusalWords(mass.reason, typed.mass, asked) : mass.si <= 0 ? "More than nothing." : null;
  const unnamed = offered.filter((one) => !tokens.some((token) => token.name === one.name));
  const add = (): void => {
    const weighed = mass.ok && typed.mass !== "" ? { count: typed.count, togetherKg: mass.si, stepKg } : null;
    onChange([...tokens, { name, massKg: weighed && weighedEach(weighed).massKg, weighed }], `counted in: ${name}`);
    setTyped(blank);
  };
  return (
    <div className="stack near">
      <span className="field-label small">{words}</span>
      {tokens.map((token) => (
        <span key={token.name} className="row near">
          <strong>{token.name}</strong> <span className="small">{massWords(token, units)}</span>
          <Button
            type="text"
            size="small"
            aria-label={`Take ${token.name} away`}
            onClick={() =>
              onChange(
                tokens.filter((one) => one !== token),
                `no longer counted in: ${token.name}`,
              )
            }
          >
            take away
          </Button>
        </span>
      ))}
      {unnamed.length > 0 ? (
        <div className="row">
          {unnamed.map((token) => (
            <Button key={token.name} size="small" onClick={() => onChange([...tokens, token], `counted in: ${token.name}`)}>
              + {token.name}, {massWords(token, units)}
            </Button>
          ))}
        </div>
      ) : null}
      <div className="row">
        <Labelled label="One of them is called" trouble={nameTrouble}>
          <Input
            maxLength={30}
            className="box-m"
            value={typed.name}
            onChange={(event) => setTyped({ ...typed, name: event.target.value })}
          />
        </Labelled>
        <Labelled label="How many weighed together">
          <InputNumber
            min={1}
            max={10_000}
            precision={0}
            className="box-s"
            value={typed.count}
            onChange={(count) => count !== null && setTyped({ ...typed, count })}
          />
        </Labelled>
        <Labelled label={`They weigh together, ${asked.defaultUnit}`} trouble={massTrouble}>
          <Input
            maxLength={20}
            className="box-m"
            placeholder="not weighed"
            value={typed.mass}
            onChange={(event) => setTyped({ ...typed, mass: event.target.value })}
          />
        </Labelled>
        <Button disabled={name === "" || nameTrouble !== null || massTrouble !== null} onClick={add}>
          Add
        </Button>
      </div>
    </div>
  );
}

/** What one weighs, in words. */
function massWords({ massKg, weighed }: NamedToken, units: UnitChoice): string {
  if (massKg === null) return "not weighed: results in it stay a count";
  const each = showQuantity(massKg, "mass", units);
  if (weighed === null) return `${each} each`;
  const off = showQuantity(weighedEach(weighed).offKg, "mass", units);
  return `${each} each, give or take ${off} (${weighed.count} together ${showQuantity(weighed.togetherKg, "mass", units)})`;
}
