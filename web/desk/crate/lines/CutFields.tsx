import type { MaterialDoc } from "@lampcrate/contract";
import { type KitCut, type KitLine, kitCut, showQuantity, type UnitChoice } from "@lampcrate/core";
import { Checkbox, InputNumber } from "antd";
import { Choose } from "../../pieces/Choose.tsx";
import { Labelled } from "../../pieces/Labelled.tsx";
import { LengthBox } from "../../pieces/LengthBox.tsx";

interface CutFieldsProps {
  readonly line: KitLine;
  readonly material: MaterialDoc | undefined;
  readonly units: UnitChoice;
  readonly onChange: (patch: Partial<KitLine>, words: string) => void;
}

const shapes = [
  { value: "rectangle", label: "rectangles" },
  { value: "triangle", label: "right triangles, two to a rectangle" },
  { value: "disc", label: "discs" },
  { value: "length", label: "lengths, the full width" },
] as const;

/** How a line's pieces are cut from its sheet or roll. */
export function CutFields({ line, material, units, onChange }: CutFieldsProps) {
  const sheet =
    material?.sheetWidthM != null && material.sheetHeightM != null
      ? `${showQuantity(material.sheetWidthM, "length", units)} × ${showQuantity(material.sheetHeightM, "length", units)}`
      : null;
  if (sheet === null) return <p className="small soft">To cut pieces from this, give its sheet a size in the store room.</p>;
  const { cut } = line;
  const set = (patch: Partial<KitCut>, words: string): void => {
    if (cut) onChange({ cut: { ...cut, ...patch } }, words);
  };
  return (
    <div className="row feet">
      <Checkbox
        checked={cut !== null}
        onChange={(event) =>
          onChange(
            { cut: event.target.checked ? kitCut({ widthM: 0.1, heightM: 0.1 }) : null },
            event.target.checked ? "cut from sheets" : "not cut",
          )
        }
      >
        cut from sheets of {sheet}
      </Checkbox>
      {cut === null ? null : <Piece cut={cut} units={units} onSet={set} />}
    </div>
  );
}

function Piece({
  cut,
  units,
  onSet,
}: {
  readonly cut: KitCut;
  readonly units: UnitChoice;
  readonly onSet: (patch: Partial<KitCut>, words: string) => void;
}) {
  const show = (m: number): string => showQuantity(m, "length", units);
  return (
    <>
      <Labelled label="into">
        <Choose label="into" value={cut.shape} options={shapes} onChoose={(shape) => onSet({ shape }, `cut into ${shape}s`)} />
      </Labelled>
      {cut.shape === "length" ? null : (
        <LengthBox
          label={cut.shape === "disc" ? "disc, across" : "piece, across"}
          valueM={cut.widthM}
          units={units}
          onChange={(widthM) => onSet({ widthM }, `piece ${show(widthM)} across`)}
        />
      )}
      {cut.shape === "disc" ? null : (
        <LengthBox
          label="along"
          valueM={cut.heightM}
          units={units}
          onChange={(heightM) => onSet({ heightM }, `piece ${show(heightM)} along`)}
        />
      )}
      <LengthBox
        label="lost per cut"
        valueM={cut.kerfM}
        units={units}
        allowNone
        onChange={(kerfM) => onSet({ kerfM }, `${show(kerfM)} lost per cut`)}
      />
      <LengthBox
        label="squared off"
        valueM={cut.trimM}
        units={units}
        allowNone
        onChange={(trimM) => onSet({ trimM }, `${show(trimM)} squared off`)}
      />
      <Labelled label="cut wrong">
        <InputNumber
          className="box-s"
          min={0}
          max={90}
          suffix="%"
          value={Math.round(cut.missRate * 1000) / 10}
          onChange={(next) => next !== null && onSet({ missRate: next / 100 }, `${next} % cut wrong`)}
        />
      </Labelled>
      {cut.shape === "length" ? null : (
        <Checkbox checked={cut.rotate} onChange={(event) => onSet({ rotate: event.target.checked }, "grain")}>
          may be turned
        </Checkbox>
      )}
    </>
  );
}
