import type { MaterialDoc } from "@lampcrate/contract";
import { type Bound, type BoundPart, boundParts, type KitLine, type UnitChoice } from "@lampcrate/core";
import { InputNumber } from "antd";
import { Button } from "../../pieces/Button.tsx";
import { Choose } from "../../pieces/Choose.tsx";
import { Labelled } from "../../pieces/Labelled.tsx";
import { Term } from "../../pieces/Term.tsx";
import { useBriefWork } from "../../work/RunContext.ts";
import { boundSaid, followable, followingAsNow } from "./boundWords.ts";

interface FollowFieldsProps {
  readonly line: KitLine;
  readonly material: MaterialDoc | undefined;
  readonly units: UnitChoice;
  readonly onChange: (patch: Partial<KitLine>, words: string) => void;
}

const partWords: Readonly<Record<BoundPart, string>> = { amount: "Amount", cutWidth: "Width of a piece", cutHeight: "Length of a piece" };

/** Which numbers of the brief this line follows, and how. */
export function FollowFields({ line, material, units, onChange }: FollowFieldsProps) {
  const parts = boundParts.filter((part) =>
    part === "amount"
      ? line.kind !== "reusable"
      : line.cut !== null && line.cut.shape !== "length" && (part === "cutWidth" || line.cut.shape !== "disc"),
  );
  if (!material || parts.length === 0) return null;
  return (
    <div className="stack tight" role="group" aria-label="What it follows">
      <p className="small">
        <Term of="follows">Follows the brief</Term>
      </p>
      {parts.map((part) => (
        <Follow key={part} part={part} line={line} unit={material.unit} units={units} onChange={onChange} />
      ))}
    </div>
  );
}

interface FollowProps extends Pick<FollowFieldsProps, "line" | "units" | "onChange"> {
  readonly part: BoundPart;
  readonly unit: MaterialDoc["unit"];
}

function Follow({ part, line, unit, units, onChange }: FollowProps) {
  const { brief } = useBriefWork();
  const bound = line.bind[part];
  const said = boundSaid(brief, line, part, unit, units);
  const set = (next: Bound | null, words: string): void => onChange({ bind: { ...line.bind, [part]: next } }, words);
  const name = partWords[part];
  const choose = (id: string): void => {
    if (id === "") return set(null, `${name.toLowerCase()} stands by itself`);
    const next = followingAsNow(brief, line, part, id, unit);
    if (next) set(next, `${name.toLowerCase()} follows ${briefWords(id)}`);
  };
  const briefWords = (id: string): string =>
    followable(brief, part, unit)
      .find(({ value }) => value === id)
      ?.label.toLowerCase() ?? id;
  return (
    <div className="row feet">
      <Labelled label={`${name} follows`}>
        <Choose
          label={`${name} follows`}
          width={220}
          value={bound?.field ?? ""}
          options={[{ value: "", label: "nothing: it stands by itself" }, ...followable(brief, part, unit)]}
          onChoose={choose}
        />
      </Labelled>
      {bound && said ? (
        <>
          <Labelled label="times">
            <InputNumber
              className="box-m"
              disabled={bound.loose}
              value={bound.times}
              onChange={(times) => times !== null && set({ ...bound, times }, `${times} × ${said.field.toLowerCase()}`)}
            />
          </Labelled>
          {said.loose ? (
            <Button onClick={() => set({ ...bound, loose: false }, `follows ${said.field.toLowerCase()} again`)}>
              Follow again{said.would === null ? "" : `: ${said.would}`}
            </Button>
          ) : (
            <>
              <span className="small">{said.would === null ? "not used just now" : `makes ${said.would}`}</span>
              <Button
                type="text"
                size="small"
                onClick={() => set({ ...bound, loose: true }, `no longer follows ${said.field.toLowerCase()}`)}
              >
                let it stand by itself
              </Button>
            </>
          )}
        </>
      ) : null}
    </div>
  );
}
