import type { MaterialDoc } from "@lampcrate/contract";
import { fillText, type KitLine, lineSources, pers, showQuantity, type UnitChoice } from "@lampcrate/core";
import { Input, InputNumber, Select } from "antd";
import { shareScale } from "../../../shared/pieces/scale.ts";
import { Button } from "../../pieces/Button.tsx";
import { Labelled } from "../../pieces/Labelled.tsx";
import { LengthBox } from "../../pieces/LengthBox.tsx";
import { sourceWords } from "../../pieces/show.ts";
import { useBriefWork } from "../../work/RunContext.ts";
import { useFilling } from "../../work/useFilling.ts";
import { CutFields } from "./CutFields.tsx";
import { FollowFields } from "./FollowFields.tsx";

interface LineFormProps {
  readonly line: KitLine;
  readonly material: MaterialDoc | undefined;
  readonly units: UnitChoice;
  readonly onChange: (patch: Partial<KitLine>, words: string) => void;
  readonly onRemove: () => void;
}

const forWhom = pers.map((value) => ({ value, label: `per ${value}` }));
const fromWhere = lineSources.map((value) => ({ value, label: sourceWords[value] }));

/** One line's numbers. */
export function LineForm({ line, material, units, onChange, onRemove }: LineFormProps) {
  const { brief } = useBriefWork();
  const filling = useFilling();
  const tiers = brief.tiers.flatMap(({ id, kind, words, share }) =>
    kind === "stretch" ? [] : [{ value: id, label: `${fillText(words, filling)}, ${Math.round(share * 100)} %` }],
  );
  const measured = material !== undefined && material.unit !== "piece";
  const kinds = [
    { value: measured ? "measured" : "counted", label: measured ? "measured out" : "counted out" },
    { value: "reusable", label: "shared, comes back" },
  ];
  return (
    <div className="stack near airy">
      <div className="fields three">
        <Labelled label="How it is given">
          <Select className="wide" value={line.kind} options={kinds} onChange={(kind: KitLine["kind"]) => onChange({ kind }, kind)} />
        </Labelled>
        <Labelled label="For">
          <Select className="wide" value={line.per} options={forWhom} onChange={(per: KitLine["per"]) => onChange({ per }, `per ${per}`)} />
        </Labelled>
        <Labelled label="Who brings it">
          <Select
            className="wide"
            value={line.source}
            options={fromWhere}
            onChange={(source: KitLine["source"]) => onChange({ source }, source)}
          />
        </Labelled>
        {tiers.length === 0 ? null : (
          <Labelled label="Only for the tier">
            <Select
              className="wide"
              value={line.tier ?? ""}
              options={[{ value: "", label: "everybody" }, ...tiers]}
              onChange={(tier: string) => onChange({ tier: tier === "" ? null : tier }, tier === "" ? "for everybody" : "for one tier")}
            />
          </Labelled>
        )}
        {line.kind === "reusable" ? (
          <>
            <Percent
              label="Part of them using it at once"
              value={line.share}
              least={1}
              onChange={(share) => onChange({ share }, `${shareScale.show(share)} at once`)}
            />
            <Amount
              label="Who share one"
              value={line.unitsPerItem}
              onChange={(unitsPerItem) => onChange({ unitsPerItem }, `${unitsPerItem} share one`)}
            />
            <Amount
              label="Lost in a session, expected"
              value={line.loss}
              least={0}
              onChange={(loss) => onChange({ loss }, `${loss} lost`)}
            />
          </>
        ) : (
          <>
            {material?.unit === "mm" ? (
              <LengthBox
                label="Amount"
                valueM={line.amount / 1000}
                units={units}
                onChange={(m) => onChange({ amount: m * 1000 }, showQuantity(m, "length", units))}
              />
            ) : (
              <Amount
                label={`Amount, ${material?.unit === "piece" || !material ? "pieces" : material.unit}`}
                value={line.amount}
                onChange={(amount) => onChange({ amount }, `${amount} each`)}
              />
            )}
            <Percent
              label="Taken again at a rebuild"
              value={line.perRebuild}
              onChange={(perRebuild) => onChange({ perRebuild }, `${Math.round(perRebuild * 100)} % again`)}
            />
            {line.kind === "counted" ? (
              <Percent
                label="Spoilt on the way"
                value={line.spoilRate}
                most={95}
                onChange={(spoilRate) => onChange({ spoilRate }, `${Math.round(spoilRate * 100)} % spoilt`)}
              />
            ) : (
              <Percent
                label="Spread of use"
                value={line.spread}
                most={200}
                onChange={(spread) => onChange({ spread }, `spread ${Math.round(spread * 100)} %`)}
              />
            )}
          </>
        )}
      </div>
      <FollowFields line={line} material={material} units={units} onChange={onChange} />
      {line.kind === "counted" ? <CutFields line={line} material={material} units={units} onChange={onChange} /> : null}
      <div className="row feet one-line">
        <div className="grows">
          <Labelled label="What may stand in for it, for the sheet">
            <Input maxLength={160} value={line.standIn} onChange={(event) => onChange({ standIn: event.target.value }, "stand-in")} />
          </Labelled>
        </div>
        <Labelled label="how much of it for one">
          <InputNumber
            className="box-m"
            min={0.01}
            max={1000}
            disabled={line.standIn === ""}
            value={line.standInRatio}
            onChange={(next) => next !== null && onChange({ standInRatio: next }, `${next} × the stand-in`)}
          />
        </Labelled>
      </div>
      <div>
        <Button onClick={onRemove}>Take this line out</Button>
      </div>
    </div>
  );
}

function Amount({
  label,
  value,
  least = 0.01,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  readonly least?: number;
  readonly onChange: (value: number) => void;
}) {
  return (
    <Labelled label={label}>
      <InputNumber className="wide" min={least} max={1_000_000} value={value} onChange={(next) => next !== null && onChange(next)} />
    </Labelled>
  );
}

function Percent({
  label,
  value,
  least = 0,
  most = 100,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  readonly least?: number;
  readonly most?: number;
  readonly onChange: (value: number) => void;
}) {
  return (
    <Labelled label={label}>
      <InputNumber
        className="wide"
        min={least}
        max={most}
        suffix="%"
        value={Math.round(value * 1000) / 10}
        onChange={(next) => next !== null && onChange(next / 100)}
      />
    </Labelled>
  );
}
