import type { BuyingDoc } from "@lampcrate/contract";
import { type BuyProblem, perWeekOf, preparingOf, type SeasonCrate, seasonStore, startsOf } from "@lampcrate/core";
import { memo, useMemo } from "react";
import type { Names } from "./names.ts";

interface CollectingProps {
  readonly doc: BuyingDoc;
  readonly crates: readonly SeasonCrate[];
  readonly whole: BuyProblem;
  readonly names: Names;
}

/** Donated goods: what is missing for each crate, and the day on which people must be asked. */
export const Collecting = memo(function Collecting({ doc, crates, whole, names }: CollectingProps) {
  const perWeek = useMemo(() => perWeekOf(doc), [doc]);
  const drives = useMemo(
    () => startsOf(crates, whole, seasonStore(doc), perWeek, doc.today, preparingOf(doc)).filter((start) => start.kind === "collect"),
    [doc, crates, whole, perWeek],
  );
  if (drives.length === 0) return null;
  return (
    <section className="sheet pad stack" aria-label="To collect">
      <h2>To collect</h2>
      <ul className="plain-list">
        {drives.map(({ crate, by, slack, materials }) => {
          const [{ id, amount } = { id: "", amount: 0 }] = materials;
          const name = names.material(id);
          return (
            <li key={`${id} ${crate.id}`}>
              <strong className={slack < 0 ? "short" : ""}>
                {slack < 0
                  ? `${name}: asking had to start ${names.date(by)}`
                  : slack === 0
                    ? `${name}: start asking today`
                    : `${name}: start asking by ${names.date(by)}`}
              </strong>
              . {names.amount(id, amount)} are missing for {names.crate(crate.id)}, to be here by {names.date(crate.arriveBy)}; about{" "}
              {names.amount(id, perWeek.get(id) ?? 0)} come in a week once people are asked.
            </li>
          );
        })}
      </ul>
    </section>
  );
});
