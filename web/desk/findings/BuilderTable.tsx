import { comparisonWords, type RunFindings, showNumber, showQuantity, type UnitChoice } from "@lampcrate/core";

/** Every accepted entry with what it shows. */
export function BuilderTable({ findings, units }: { readonly findings: RunFindings; readonly units: UnitChoice }) {
  const { measure, builders, comparisons } = findings;
  const show = (value: number | null): string => (value === null ? "–" : showQuantity(value, measure.dimension, units));
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
            const last = comparisons.filter((found) => found.entryId === builder.entryId && !found.control).at(-1);
            return (
              <tr key={builder.entryId}>
                <th scope="row">{builder.alias}</th>
                <td>{builder.metGoal ? "met" : "not yet"}</td>
                <td className="number">{show(builder.first)}</td>
                <td className="number">{show(builder.last)}</td>
                <td className="number">{show(builder.best)}</td>
                <td className="number">{builder.improved === null ? "–" : `× ${showNumber(builder.improved, 2)}`}</td>
                <td className="small">{last ? comparisonWords(last, measure, units) : "one version only"}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
