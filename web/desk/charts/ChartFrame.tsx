import { Table, type TableColumnsType } from "antd";
import { type ReactElement, useState } from "react";
import { ResponsiveContainer } from "recharts";
import { useMedia } from "../../shared/useMedia.ts";
import { useSeen } from "../../shared/useSeen.ts";
import { Button } from "../pieces/Button.tsx";
import { Open } from "../pieces/Lock.tsx";
import "./charts.css";

/** A cell of the table behind a chart. */
export type Cell = string | number;

interface ChartFrameProps {
  /** What the chart shows, in a sentence. */
  readonly label: string;
  /** px */
  readonly height: number;
  /** The numbers behind it. */
  readonly head: readonly string[];
  readonly rows: readonly (readonly Cell[])[];
  readonly children: ReactElement;
}

/** A chart with the table behind it, for those who read numbers rather than lines. */
export function ChartFrame({ label, height, head, rows, children }: ChartFrameProps) {
  const [open, setOpen] = useState(false);
  // A chart out of sight is not drawn anew with every dial; on paper all are.
  const [place, seen] = useSeen<HTMLDivElement>();
  const printed = useMedia("print");
  const columns: TableColumnsType<readonly Cell[]> = head.map((title, i) => ({
    key: title,
    title,
    align: i === 0 ? "left" : "right",
    render: (_, row) => row[i],
  }));
  return (
    <div className="chart">
      <div ref={place} role="img" aria-label={label} style={{ height }}>
        {seen || printed ? (
          <ResponsiveContainer width="100%" height={height} initialDimension={{ width: 600, height }}>
            {children}
          </ResponsiveContainer>
        ) : null}
      </div>
      <Open>
        <Button type="text" size="small" className="no-print" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? "Hide the numbers" : "The numbers as a table"}
        </Button>
      </Open>
      {open ? (
        <Table
          size="small"
          aria-label={label}
          rowKey={(row) => row.join(" ")}
          columns={columns}
          dataSource={[...rows]}
          pagination={false}
          scroll={{ y: 260 }}
        />
      ) : null}
    </div>
  );
}
