import type { LineCount } from "@lampcrate/contract";
import type { KitLine } from "@lampcrate/core";
import { InputNumber } from "antd";
import { DataTable } from "../../pieces/DataTable.tsx";
import { shownPer, unitWord } from "../../pieces/show.ts";
import { useCrateWork } from "../../work/RunContext.ts";
import { useSizedCrate } from "../../work/SizedCrate.tsx";

interface CountTableProps {
  readonly lines: readonly KitLine[];
  readonly counts: readonly LineCount[];
  readonly onChange: (lineId: string, patch: Partial<LineCount>) => void;
}

/** What was put out, left and spoilt, by line, beside what the crate held. */
export function CountTable({ lines, counts, onChange }: CountTableProps) {
  const { materials } = useCrateWork();
  const crate = useSizedCrate();
  const rows = counts.map((count) => {
    const line = lines.find((l) => l.id === count.lineId);
    const material = materials.find((m) => m.id === line?.materialId);
    const planned = crate.manifest?.lines.find((l) => l.id === count.lineId)?.quantity;
    return { count, line, name: material?.name ?? "gone", per: shownPer(material?.unit), unit: unitWord(material?.unit), planned };
  });
  type Row = (typeof rows)[number];
  const box = ({ count, name, per, unit }: Row, what: "putOut" | "left" | "spoilt", words: string) => (
    <InputNumber
      size="small"
      className="count-box"
      aria-label={`${name}, ${words}`}
      min={0}
      suffix={unit || undefined}
      value={count[what] / per}
      onChange={(value) => value !== null && onChange(count.lineId, { [what]: value * per })}
    />
  );
  const show = (amount: number, { per, unit }: Row): string => `${Math.round((amount / per) * 100) / 100}${unit ? ` ${unit}` : ""}`;
  return (
    <DataTable
      label="What was put out, left and spoilt"
      rowKey={({ count }) => count.lineId}
      rows={rows}
      columns={[
        { title: "Material", dataIndex: "name" },
        { title: "Put out", key: "putOut", render: (_, row) => box(row, "putOut", "put out") },
        { title: "Left", key: "left", render: (_, row) => box(row, "left", "left") },
        { title: "Spoilt", key: "spoilt", render: (_, row) => (row.line?.kind === "counted" ? box(row, "spoilt", "spoilt") : "") },
        {
          title: "Used, and what the crate held",
          key: "used",
          className: "small",
          render: (_, row) =>
            `${show(Math.max(0, row.count.putOut - row.count.left), row)}${row.planned === undefined ? "" : ` of ${show(row.planned, row)}`}`,
        },
      ]}
    />
  );
}
