import type { LearnedDoc, PracticeAdvice } from "@lampcrate/contract";
import { calibration, families, showNumber } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { materialsQuery } from "../queries.ts";
import { useRunWork } from "../run/RunContext.ts";

const percent = (share: number): string => `${showNumber(share * 100, share < 0.1 ? 1 : 0)} %`;

interface Row {
  readonly key: string;
  readonly what: string;
  readonly before: string;
  readonly after: string;
  readonly interval: string;
  /** True once the brief has the learned number. */
  readonly taken: boolean;
}

/** What house trials make of the run's numbers, before and after; taken over only when the planner says so, and undone like any change. */
export function Advice({ advice, learned }: { readonly advice: PracticeAdvice; readonly learned: LearnedDoc }) {
  const { draft } = useRunWork();
  const materials = useQuery(materialsQuery).data ?? [];
  const { brief, change } = draft;
  const round = (share: number): number => Math.round(share * 1000) / 1000;
  const interval = ([low, high]: readonly [number, number]): string => `${percent(low)} to ${percent(high)}`;
  const rows: readonly Row[] = [
    {
      key: "minutes",
      what: "Build time",
      before: `${advice.buildMinutes.before} min`,
      after: `${advice.buildMinutes.after} min`,
      interval: "",
      taken: brief.buildMinutes === advice.buildMinutes.after,
    },
    {
      key: "rebuild",
      what: "Chance of a rebuild",
      before: percent(advice.rebuildRate.before),
      after: percent(advice.rebuildRate.learned.value),
      interval: interval(advice.rebuildRate.learned.interval),
      taken: brief.rebuildRate === round(advice.rebuildRate.learned.value),
    },
    ...advice.spoil.map(({ lineId, before, learned: spoil }) => {
      const line = brief.lines.find((l) => l.id === lineId);
      return {
        key: lineId,
        what: `Spoilt: ${materials.find((m) => m.id === line?.materialId)?.name ?? "line"}`,
        before: percent(before),
        after: percent(spoil.value),
        interval: interval(spoil.interval),
        taken: line?.spoilRate === round(spoil.value),
      };
    }),
  ];
  const take = (): void =>
    change(
      {
        buildMinutes: advice.buildMinutes.after,
        rebuildRate: round(advice.rebuildRate.learned.value),
        lines: brief.lines.map((line) => {
          const found = advice.spoil.find((spoil) => spoil.lineId === line.id);
          return found ? { ...line, spoilRate: round(found.learned.value) } : line;
        }),
      },
      "took over what house trials say",
    );
  const count = learned.trials.length;
  return (
    <div className="stack" role="group" aria-label="What house trials teach">
      <table className="trials">
        <thead>
          <tr>
            <th>From {count === 1 ? "one house trial" : `${count} house trials`}</th>
            <th className="number">Before</th>
            <th className="number">After</th>
            <th className="number">90 % interval</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.key}>
              <td>{row.what}</td>
              <td className="number">{row.before}</td>
              <td className="number">
                <strong>{row.after}</strong>
              </td>
              <td className="number">{row.interval}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="small">{calibrationWords(learned, families[brief.family].predict(brief.spec, brief.design)[0]?.band.factor ?? 1)}</p>
      <div className="row">
        {rows.every((row) => row.taken) ? (
          <span className="soft small">The run has these numbers.</span>
        ) : (
          <button type="button" className="second" onClick={take}>
            Take them over
          </button>
        )}
      </div>
    </div>
  );
}

function calibrationWords({ checked }: LearnedDoc, factor: number): string {
  const house = checked.filter((c) => c.from === "house trial").length;
  const { factor: by, f } = calibration(
    factor,
    checked.map((c) => c.ratio),
  );
  return `The prediction: ${checked.length} checked ${checked.length === 1 ? "result" : "results"} of this form (${house} by the house, ${checked.length - house} from entries) move it to ${showNumber(by, 2)} times, and its band from ×÷${showNumber(factor, 2)} to ×÷${showNumber(f, 2)}.`;
}
