import type { BuilderLine, FindingsDoc } from "@lampcrate/contract";
import { changeWords, type Interval, intervalWords, showNumber, showOf, showQuantity, type UnitChoice } from "@lampcrate/core";
import { useInfiniteQuery } from "@tanstack/react-query";
import type { ColumnType } from "antd/es/table";
import { useState } from "react";
import { Button } from "../pieces/Button.tsx";
import { DataTable } from "../pieces/DataTable.tsx";
import { buildersQuery } from "../queries.ts";

interface BuilderTableProps {
  readonly runId: string;
  readonly findings: FindingsDoc;
  readonly units: UnitChoice;
}

/** Every accepted entry with what it shows, a hundred at a time. */
export function BuilderTable({ runId, findings, units }: BuilderTableProps) {
  const { measure, table } = findings;
  const [open, setOpen] = useState(false);
  const more = useInfiniteQuery({ ...buildersQuery(runId, table), enabled: open && table.next !== null });
  const builders = [...table.builders, ...(open ? (more.data?.pages.flatMap((page) => page.builders) ?? []) : [])];
  const number = (title: string, of: (builder: BuilderLine) => Interval | null): ColumnType<BuilderLine> => ({
    title,
    key: title,
    className: "number",
    sorter: (a, b) => (of(a)?.low ?? Number.NEGATIVE_INFINITY) - (of(b)?.low ?? Number.NEGATIVE_INFINITY),
    render: (_, builder) => {
      const value = of(builder);
      return value === null ? "–" : intervalWords(value, showOf(builder.measure ?? measure, units));
    },
  });
  return (
    <section className="sheet pad stack" aria-label="Table of builders">
      <h2>Builder by builder</h2>
      <DataTable
        label="Builder by builder"
        rowKey="entryId"
        rows={builders}
        columns={[
          { title: "Alias", dataIndex: "alias", rowScope: "row", sorter: (a, b) => a.alias.localeCompare(b.alias) },
          {
            title: "Goal",
            key: "goal",
            filters: [
              { text: "met", value: true },
              { text: "not yet", value: false },
            ],
            onFilter: (value, { metGoal }) => metGoal === value,
            render: (_, { metGoal }) => (metGoal ? "met" : "not yet"),
          },
          number("First", ({ first }) => first),
          number("Last", ({ last }) => last),
          number("Best", ({ best }) => best),
          ...findings.further.map(({ id, words, dimension }): ColumnType<BuilderLine> => {
            const of = (builder: BuilderLine): number | undefined => builder.further?.[id];
            return {
              title: words,
              key: id,
              className: "number",
              sorter: (a, b) => (of(a) ?? Number.NEGATIVE_INFINITY) - (of(b) ?? Number.NEGATIVE_INFINITY),
              render: (_, builder) => {
                const value = of(builder);
                return value === undefined ? "–" : showQuantity(value, dimension, units);
              },
            };
          }),
          {
            title: "Change",
            key: "change",
            className: "number",
            sorter: (a, b) => (a.improved ?? 0) - (b.improved ?? 0),
            render: (_, builder) => changeWords(builder, (ratio) => showNumber(ratio, 2)),
          },
          { title: "The change, in words", key: "words", className: "small", render: (_, { words }) => words ?? "one version only" },
        ]}
      />
      {builders.length < table.total ? (
        <div>
          <Button disabled={more.isFetching} onClick={() => (open ? void more.fetchNextPage() : setOpen(true))}>
            {more.isFetching ? "Fetching …" : `Show more: ${builders.length} of ${table.total} are here`}
          </Button>
        </div>
      ) : null}
    </section>
  );
}
