import type { BriefDoc, LearnedDoc, MaterialDoc, PracticeAdvice } from "@lampcrate/contract";
import type { KitLine } from "@lampcrate/core";
import { amountWords, calibration, families, showNumber, type UnitChoice } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { Button } from "../pieces/Button.tsx";
import { DataTable } from "../pieces/DataTable.tsx";
import { materialsQuery } from "../queries.ts";
import { useBriefWork, useRunActions } from "../work/RunContext.ts";

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

/** What house trials and counted sessions make of the run's numbers, before and after; taken over only when the planner says so, and undone like any change. */
export function Advice({ advice, learned }: { readonly advice: PracticeAdvice; readonly learned: LearnedDoc }) {
  const { run, brief } = useBriefWork();
  const { change } = useRunActions();
  const materials = useQuery(materialsQuery).data ?? [];
  const materialOf = (lineId: string): MaterialDoc | undefined =>
    materials.find((m) => m.id === brief.lines.find((line) => line.id === lineId)?.materialId);
  const rows = rowsOf(advice, brief, run.units, materialOf);
  const take = (): void => change(takenOver(advice, brief), "took over what was learned");
  return (
    <div className="stack" role="group" aria-label="What has been learned">
      <DataTable
        label="What has been learned"
        rowKey="key"
        rows={rows}
        columns={[
          { title: `From ${fromWords(learned)}`, dataIndex: "what" },
          { title: "Before", dataIndex: "before", className: "number" },
          { title: "After", dataIndex: "after", className: "number", render: (after: string) => <strong>{after}</strong> },
          { title: "90 % interval", dataIndex: "interval", className: "number" },
        ]}
      />
      <p className="small">{calibrationWords(learned, families[brief.family].predict(brief.spec, brief.design)[0]?.band.factor ?? 1)}</p>
      <div className="row">
        {rows.every((row) => row.taken) ? (
          <span className="soft small">The run has these numbers.</span>
        ) : (
          <Button onClick={take}>Take them over</Button>
        )}
      </div>
    </div>
  );
}

const round = (value: number, step: number): number => Number((Math.round(value / step) * step).toPrecision(10));
const rateStep = 0.001;
/** Whole mm, g and ml; pieces to a hundredth, for a learned amount may be a fraction. */
const amountStep = (kind: "counted" | "measured" | "reusable" | undefined): number => (kind === "counted" ? 0.01 : 1);

function rowsOf(
  advice: PracticeAdvice,
  brief: BriefDoc,
  units: UnitChoice,
  materialOf: (lineId: string) => MaterialDoc | undefined,
): readonly Row[] {
  const shares = ([low, high]: readonly [number, number]): string => `${percent(low)} to ${percent(high)}`;
  const lineOf = (id: string): KitLine | undefined => brief.lines.find((line) => line.id === id);
  const { buildMinutes, rebuildRate } = advice;
  return [
    ...(buildMinutes === null
      ? []
      : [
          {
            key: "minutes",
            what: "Build time",
            before: `${buildMinutes.before} min`,
            after: `${buildMinutes.after} min`,
            interval: "",
            taken: brief.buildMinutes === buildMinutes.after,
          },
        ]),
    {
      key: "rebuild",
      what: "Chance of a rebuild",
      before: percent(rebuildRate.before),
      after: percent(rebuildRate.learned.value),
      interval: shares(rebuildRate.learned.interval),
      taken: brief.rebuildRate === round(rebuildRate.learned.value, rateStep),
    },
    ...advice.amounts.map(({ lineId, before, learned }) => {
      const [line, material] = [lineOf(lineId), materialOf(lineId)];
      const show = (amount: number): string =>
        material?.unit === "piece"
          ? showNumber(amount, Number.isInteger(amount) ? 0 : 2)
          : amountWords(amount, material?.unit ?? "piece", units);
      return {
        key: `amount ${lineId}`,
        what: `${material?.name ?? "line"}, per ${line?.per ?? "unit"}`,
        before: show(before),
        after: show(round(learned.value, amountStep(line?.kind))),
        interval: `${show(round(learned.interval[0], amountStep(line?.kind)))} to ${show(round(learned.interval[1], amountStep(line?.kind)))}`,
        taken: line?.amount === round(learned.value, amountStep(line?.kind)),
      };
    }),
    ...advice.spoil.map(({ lineId, before, learned }) => ({
      key: `spoilt ${lineId}`,
      what: `Spoilt: ${materialOf(lineId)?.name ?? "line"}`,
      before: percent(before),
      after: percent(learned.value),
      interval: shares(learned.interval),
      taken: lineOf(lineId)?.spoilRate === round(learned.value, rateStep),
    })),
  ];
}

/** The brief's numbers with what was learned in their place. */
function takenOver(advice: PracticeAdvice, brief: BriefDoc): Partial<BriefDoc> {
  return {
    buildMinutes: advice.buildMinutes?.after ?? brief.buildMinutes,
    rebuildRate: round(advice.rebuildRate.learned.value, rateStep),
    lines: brief.lines.map((line) => {
      const spoil = advice.spoil.find((found) => found.lineId === line.id);
      const amount = advice.amounts.find((found) => found.lineId === line.id);
      return {
        ...line,
        spoilRate: spoil ? round(spoil.learned.value, rateStep) : line.spoilRate,
        amount: amount ? Math.max(amountStep(line.kind), round(amount.learned.value, amountStep(line.kind))) : line.amount,
      };
    }),
  };
}

function fromWords({ trials, counts }: LearnedDoc): string {
  const many = (n: number, one: string): string => (n === 1 ? `one ${one}` : `${n} ${one}s`);
  const parts = [
    ...(trials.length > 0 ? [many(trials.length, "house trial")] : []),
    ...(counts.length > 0 ? [many(counts.length, "counted session")] : []),
  ];
  return parts.join(" and ");
}

function calibrationWords({ checked }: LearnedDoc, factor: number): string {
  const house = checked.filter((c) => c.from === "house trial").length;
  const { factor: by, f } = calibration(
    factor,
    checked.map((c) => c.ratio),
  );
  return `The prediction: ${checked.length} checked ${checked.length === 1 ? "result" : "results"} of this form (${house} by the house, ${checked.length - house} from entries) move it to ${showNumber(by, 2)} times, and its band from ×÷${showNumber(factor, 2)} to ×÷${showNumber(f, 2)}.`;
}
