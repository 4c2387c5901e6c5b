import type { TrailNote } from "@lampcrate/contract";
import { useInfiniteQuery } from "@tanstack/react-query";
import { Select, Table } from "antd";
import { useState } from "react";
import { Button } from "../pieces/Button.tsx";
import { whenIn } from "../pieces/whenIn.ts";
import { auditQuery } from "../queries.ts";

const areas = ["sign-in", "people", "settings", "publishing", "stock", "erasing", "upkeep"] as const;

/** Who did what that matters beyond a run, when. It can't be changed, nor taken back. */
export function Trail({ zone }: { readonly zone: string }) {
  const [open, setOpen] = useState(false);
  const [area, setArea] = useState<TrailNote["area"] | null>(null);
  const trail = useInfiniteQuery({ ...auditQuery, enabled: open });
  const lines = (trail.data?.pages.flat() ?? []).filter((line) => area === null || line.area === area);
  const when = whenIn(zone);
  return (
    <section className="sheet pad stack" aria-label="Trail">
      <div className="row spread">
        <h2>Who did what</h2>
        <Button aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? "Close the trail" : "Open the trail"}
        </Button>
      </div>
      {open ? (
        <>
          <Select
            aria-label="Of what"
            className="box-l"
            allowClear
            placeholder="everything"
            value={area}
            options={areas.map((value) => ({ value, label: value }))}
            onChange={(value: TrailNote["area"] | undefined) => setArea(value ?? null)}
          />
          <Table
            size="small"
            rowKey="id"
            loading={trail.isPending}
            pagination={{ pageSize: 20, showSizeChanger: false, hideOnSinglePage: true }}
            locale={{ emptyText: "Nothing yet." }}
            dataSource={lines}
            columns={[
              { title: "When", dataIndex: "at", width: 190, render: (at: number) => when.format(at) },
              { title: "Who", dataIndex: "who", width: 180 },
              { title: "Of what", dataIndex: "area", width: 110 },
              { title: "What", dataIndex: "what" },
            ]}
          />
          {trail.hasNextPage ? (
            <div>
              <Button loading={trail.isFetchingNextPage} onClick={() => void trail.fetchNextPage()}>
                Fetch older lines
              </Button>
            </div>
          ) : null}
        </>
      ) : null}
    </section>
  );
}
