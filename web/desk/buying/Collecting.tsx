import { type BuyingDoc, preparingOf } from "@lampcrate/contract";
import { addDays, type BuyProblem, backPlan, promisesOf, type SeasonCrate, shortDate } from "@lampcrate/core";
import type { Names } from "./names.ts";

interface CollectingProps {
  readonly doc: BuyingDoc;
  readonly crates: readonly SeasonCrate[];
  readonly whole: BuyProblem;
  readonly names: Names;
}

interface Drive {
  readonly material: string;
  readonly missing: number;
  readonly perWeek: number;
  readonly crate: SeasonCrate;
  readonly startBy: string;
  readonly slack: number;
}

/** Donated goods: what is missing for each crate, and the day on which people must be asked. */
export function Collecting({ doc, crates, whole, names }: CollectingProps) {
  const drives = drivesOf(doc, crates, whole);
  if (drives.length === 0) return null;
  return (
    <section className="sheet pad stack" aria-label="To collect">
      <h2>To collect</h2>
      <ul className="plain-list">
        {drives.map((drive) => (
          <li key={`${drive.material} ${drive.crate.id}`}>
            <strong className={drive.slack < 0 ? "short" : ""}>
              {drive.slack < 0
                ? `${names.material(drive.material)}: asking had to start ${shortDate(drive.startBy)}`
                : drive.slack === 0
                  ? `${names.material(drive.material)}: start asking today`
                  : `${names.material(drive.material)}: start asking by ${shortDate(drive.startBy)}`}
            </strong>
            . {names.amount(drive.material, drive.missing)} are missing for {names.crate(drive.crate.id)}, to be here by{" "}
            {shortDate(drive.crate.arriveBy)}; about {names.amount(drive.material, drive.perWeek)} come in a week once people are asked.
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Each drive is planned back from its crate over working days; what earlier crates miss is collected first. */
function drivesOf(doc: BuyingDoc, crates: readonly SeasonCrate[], whole: BuyProblem): readonly Drive[] {
  const days = preparingOf(doc);
  return doc.materials.flatMap(({ id, perWeek }) => {
    const material = whole.materials.find((m) => m.id === id);
    if (perWeek === null || !material) return [];
    let missing = 0;
    return promisesOf(material, whole.crates).flatMap((promised) => {
      const crate = crates.find((c) => c.id === promised.crate);
      if (promised.short <= 0 || !crate) return [];
      missing += promised.short;
      const ready = addDays(crate.arriveBy, 1);
      const [step] = backPlan(ready, doc.today, [{ id: "collect", after: [], pieces: missing, ratePerWeek: perWeek }], days).steps;
      return step ? [{ material: id, missing, perWeek, crate, startBy: step.latestStart, slack: step.slack }] : [];
    });
  });
}
