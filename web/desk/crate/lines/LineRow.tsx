import { HolderOutlined } from "@ant-design/icons";
import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import type { MaterialDoc } from "@lampcrate/contract";
import type { KitLine } from "@lampcrate/core";
import { mostSpoilt, parseShare, type UnitChoice } from "@lampcrate/core";
import { useLocked } from "../../../shared/pieces/locked.ts";
import { Button } from "../../pieces/Button.tsx";
import { CellBox } from "../../pieces/CellBox.tsx";
import { sourceWords } from "../../pieces/show.ts";
import { LineForm } from "./LineForm.tsx";
import { amountShown, type CellRead, takeAmount } from "./lineCells.ts";

interface LineRowProps {
  readonly line: KitLine;
  readonly material: MaterialDoc | undefined;
  readonly units: UnitChoice;
  readonly open: boolean;
  readonly onOpen: () => void;
  readonly onChange: (patch: Partial<KitLine>, words: string) => void;
  readonly onRemove: () => void;
}

/** One line of the kit: its numbers in cells, the rest in a form below; dragged to another place by its handle. */
export function LineRow({ line, material, units, open, onOpen, onChange, onRemove }: LineRowProps) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: line.id, disabled: useLocked() });
  const name = material?.name ?? "gone from the store room";
  const unit = material?.unit ?? "piece";
  const take = (read: CellRead): string | null => {
    if ("trouble" in read) return read.trouble;
    onChange(read.patch, read.words);
    return null;
  };
  const percent = (label: string, column: "perRebuild" | "spoilRate", most: number) => (
    <CellBox
      label={`${name}, ${label}`}
      column={column}
      shown={`${Math.round(line[column] * 1000) / 10} %`}
      onTake={(typed) => {
        const read = parseShare(typed, { most });
        if (!read.ok) return read.words;
        onChange({ [column]: read.share }, `${Math.round(read.share * 1000) / 10} % ${label}`);
        return null;
      }}
    />
  );
  return (
    <>
      <tr ref={setNodeRef} style={{ transform: CSS.Translate.toString(transform), transition }} aria-label={name}>
        <td className="handle-cell">
          <Button type="text" size="small" className="handle" aria-label={`Move ${name}`} {...attributes} {...listeners}>
            <HolderOutlined aria-hidden />
          </Button>
        </td>
        <td>
          {name}
          {line.cut ? (
            <span className="soft small">
              {" "}
              cut to {Math.round(line.cut.widthM * 1000)} × {Math.round(line.cut.heightM * 1000)} mm
            </span>
          ) : null}
        </td>
        <td className="nowrap">
          {line.kind === "reusable" ? (
            "shared"
          ) : (
            <CellBox
              label={`${name}, takes`}
              column="amount"
              shown={amountShown(line.amount, unit, units)}
              onTake={(typed) => take(takeAmount(typed, unit, units))}
            />
          )}{" "}
          <span className="soft">per {line.per}</span>
        </td>
        <td>
          {sourceWords[line.source]}
          {material?.perWeek != null && line.source !== "home" ? <span className="soft small">, collected</span> : null}
        </td>
        <td>{line.kind === "reusable" ? "" : percent("again at a rebuild", "perRebuild", 1)}</td>
        <td>{line.kind === "counted" ? percent("spoilt", "spoilRate", mostSpoilt) : ""}</td>
        <td>
          <Button type="text" size="small" aria-expanded={open} aria-label={`Change ${name}`} onClick={onOpen}>
            {open ? "close" : "change"}
          </Button>
        </td>
      </tr>
      {open ? (
        <tr>
          <td colSpan={7} style={{ background: "var(--ground)" }}>
            <LineForm line={line} material={material} units={units} onChange={onChange} onRemove={onRemove} />
          </td>
        </tr>
      ) : null}
    </>
  );
}
