import type { FindingsDoc } from "@lampcrate/contract";
import { showNumber, showQuantity, type UnitChoice } from "@lampcrate/core";
import { useInfiniteQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Button } from "../pieces/Button.tsx";
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
  return (
    <section className="sheet pad stack" aria-label="Table of builders">
      <h2>Builder by builder</h2>
      <table className="trials">
        <thead>
          <tr>
            <th scope="col">Alias</th>
            <th scope="col">Goal</th>
            <th scope="col" className="number">
              First
            </th>
            <th scope="col" className="number">
              Last
            </th>
            <th scope="col" className="number">
              Best
            </th>
            <th scope="col" className="number">
              Change
            </th>
            <th scope="col">The change, in words</th>
          </tr>
        </thead>
        <tbody>
          {builders.map((builder) => {
            const { dimension } = builder.measure ?? measure;
            const show = (value: number | null): string => (value === null ? "–" : showQuantity(value, dimension, units));
            return (
              <tr key={builder.entryId}>
                <th scope="row">{builder.alias}</th>
                <td>{builder.metGoal ? "met" : "not yet"}</td>
                <td className="number">{show(builder.first)}</td>
                <td className="number">{show(builder.last)}</td>
                <td className="number">{show(builder.best)}</td>
                <td className="number">{builder.improved === null ? "–" : `× ${showNumber(builder.improved, 2)}`}</td>
                <td className="small">{builder.words ?? "one version only"}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
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
