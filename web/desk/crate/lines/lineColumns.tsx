import type { MaterialDoc } from "@lampcrate/contract";
import { type KitLine, mostSpoilt, parseShare, type UnitChoice } from "@lampcrate/core";
import type { ColumnType } from "antd/es/table";
import { Button } from "../../pieces/Button.tsx";
import { CellBox } from "../../pieces/CellBox.tsx";
import { Handle } from "../../pieces/SortableRow.tsx";
import { sourceWords } from "../../pieces/show.ts";
import { Followed } from "./Followed.tsx";
import { amountShown, takeAmount } from "./lineCells.ts";

interface LineColumns {
  readonly nameOf: (line: KitLine) => string;
  readonly materialOf: (line: KitLine) => MaterialDoc | undefined;
  readonly units: UnitChoice;
  readonly editing: string | null;
  readonly setEditing: (id: string | null) => void;
  readonly onChange: (line: KitLine, patch: Partial<KitLine>, words: string) => void;
}

type Shares = "perRebuild" | "spoilRate";

/** A line's numbers in cells, the rest in a form below it; a handle to take it elsewhere. */
export function lineColumns({ nameOf, materialOf, units, editing, setEditing, onChange }: LineColumns): ColumnType<KitLine>[] {
  const share = (line: KitLine, label: string, column: Shares, most: number) => (
    <CellBox
      label={`${nameOf(line)}, ${label}`}
      column={column}
      shown={`${Math.round(line[column] * 1000) / 10} %`}
      onTake={(typed) => {
        const read = parseShare(typed, { most });
        if (!read.ok) return read.words;
        onChange(line, { [column]: read.share }, `${Math.round(read.share * 1000) / 10} % ${label}`);
        return null;
      }}
    />
  );
  const takes = (line: KitLine) => {
    const unit = materialOf(line)?.unit ?? "piece";
    return (
      <CellBox
        label={`${nameOf(line)}, takes`}
        column="amount"
        shown={amountShown(line.amount, unit, units)}
        onTake={(typed) => {
          const read = takeAmount(typed, unit, units);
          if ("trouble" in read) return read.trouble;
          onChange(line, read.patch, read.words);
          return null;
        }}
      />
    );
  };
  return [
    {
      title: <span className="unseen">Move</span>,
      key: "move",
      className: "handle-cell",
      render: (_, line) => <Handle name={nameOf(line)} />,
    },
    {
      title: "Material",
      key: "material",
      render: (_, line) => (
        <>
          {nameOf(line)}
          {line.cut ? (
            <span className="soft small">
              {" "}
              cut to {Math.round(line.cut.widthM * 1000)} × {Math.round(line.cut.heightM * 1000)} mm
            </span>
          ) : null}
        </>
      ),
    },
    {
      title: "Takes",
      key: "takes",
      className: "nowrap",
      render: (_, line) => (
        <>
          {line.kind === "reusable" ? "shared" : takes(line)} <span className="soft">per {line.per}</span>
          <Followed line={line} unit={materialOf(line)?.unit ?? "piece"} units={units} />
        </>
      ),
    },
    {
      title: "For whom",
      key: "source",
      render: (_, line) => (
        <>
          {sourceWords[line.source]}
          {materialOf(line)?.perWeek != null && line.source !== "home" ? <span className="soft small">, collected</span> : null}
        </>
      ),
    },
    {
      title: "Again at a rebuild",
      key: "rebuild",
      render: (_, line) => (line.kind === "reusable" ? "" : share(line, "again at a rebuild", "perRebuild", 1)),
    },
    {
      title: "Spoilt",
      key: "spoilt",
      render: (_, line) => (line.kind === "counted" ? share(line, "spoilt", "spoilRate", mostSpoilt) : ""),
    },
    {
      title: <span className="unseen">Change</span>,
      key: "change",
      render: (_, line) => {
        const open = editing === line.id;
        return (
          <Button
            type="text"
            size="small"
            aria-expanded={open}
            aria-label={`Change ${nameOf(line)}`}
            onClick={() => setEditing(open ? null : line.id)}
          >
            {open ? "close" : "change"}
          </Button>
        );
      },
    },
  ];
}
