import type { LineCount } from "@lampcrate/contract";
import type { KitLine } from "@lampcrate/core";
import { InputNumber } from "antd";
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
  return (
    <table className="trials">
      <thead>
        <tr>
          <th>Material</th>
          <th>Put out</th>
          <th>Left</th>
          <th>Spoilt</th>
          <th>Used, and what the crate held</th>
        </tr>
      </thead>
      <tbody>
        {counts.map((count) => {
          const line = lines.find((l) => l.id === count.lineId);
          const material = materials.find((m) => m.id === line?.materialId);
          const per = shownPer(material?.unit);
          const unit = unitWord(material?.unit);
          const cell = (what: "putOut" | "left" | "spoilt", words: string) => (
            <InputNumber
              size="small"
              aria-label={`${material?.name ?? "line"}, ${words}`}
              min={0}
              suffix={unit || undefined}
              style={{ width: 96 }}
              value={count[what] / per}
              onChange={(value) => value !== null && onChange(count.lineId, { [what]: value * per })}
            />
          );
          const planned = crate.manifest?.lines.find((l) => l.id === count.lineId)?.quantity;
          const show = (amount: number): string => `${Math.round((amount / per) * 100) / 100}${unit ? ` ${unit}` : ""}`;
          return (
            <tr key={count.lineId}>
              <td>{material?.name ?? "gone"}</td>
              <td>{cell("putOut", "put out")}</td>
              <td>{cell("left", "left")}</td>
              <td>{line?.kind === "counted" ? cell("spoilt", "spoilt") : ""}</td>
              <td className="small">
                {show(Math.max(0, count.putOut - count.left))}
                {planned === undefined ? "" : ` of ${show(planned)}`}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
