import { Matrix, QrDecomposition, SingularValueDecomposition } from "ml-matrix";
import { tQuantile } from "../../numeric/student.ts";

/** Something that builders declare of a version. */
export type ModelVariable =
  | { readonly id: string; readonly kind: "number" }
  | { readonly id: string; readonly kind: "choice"; readonly options: readonly string[] };

/** A version with an exact value above nothing, SI. `version`: 1 for a builder's first. */
export interface ModelRow {
  readonly builder: string;
  readonly version: number;
  readonly value: number;
  readonly x: Readonly<Record<string, number | string>>;
}

/** What one step of a variable goes with, other things equal: so many times the value, with its 95 % interval. */
export type ModelEffect = {
  readonly of: string;
  readonly step: string;
  /** Of a choice: the option, and the commonest one that it is held against. */
  readonly choice: { readonly option: string; readonly against: string } | null;
} & (
  | { readonly state: "told"; readonly ratio: number; readonly low: number; readonly high: number }
  | { readonly state: "never changed" }
  | { readonly state: "always changed together"; readonly with: readonly string[] }
);

/** What a whole run says; effects null where it is too little to tell anything. */
export interface RunModel {
  readonly rows: number;
  readonly builders: number;
  /** Builders with one such version. */
  readonly leftOut: number;
  readonly df: number;
  readonly effects: readonly ModelEffect[] | null;
}

interface Column {
  readonly of: string;
  readonly step: string;
  readonly choice: ModelEffect["choice"];
  readonly values: readonly number[];
}

/** Fewer degrees of freedom tell nothing. */
const leastDf = 3;
/** What is left of a column of length 1 once others are taken out of it: less is nothing. */
const nothing = 1e-6;

/**
 * Least squares of ln(value) within builders: a number as its log₂ (as it is where any is 0 or less), a choice against
 * its commonest option, and practice, each less the builder's own mean. Ratios are e^β with 95 % intervals by t,
 * df = rows − builders − rank. A column that the others make up is told of as changed together with them, no more.
 */
export function runModel(variables: readonly ModelVariable[], rows: readonly ModelRow[]): RunModel {
  const counts = countsOf(rows.map((row) => row.builder));
  const used = rows.filter((row) => (counts.get(row.builder) ?? 0) > 1);
  const builders = [...counts.values()].filter((count) => count > 1).length;
  const leftOut = counts.size - builders;
  const within = lessOwnMean(used);
  const columns = columnsOf(variables, used).map((column) => ({ ...column, values: within(column.values) }));
  const changing = columns.filter(({ values }) => isChanging(values));
  const short = shortened(changing);
  const together = new Map(changing.map((column) => [column, madeUpBy(column, short)]));
  const rank = short.length === 0 ? 0 : new SingularValueDecomposition(unitColumns(short)).rank;
  const df = used.length - builders - rank;
  const size = { rows: used.length, builders, leftOut, df };
  if (df < leastDf) return { ...size, effects: null };
  const kept = independent(short);
  const own = changing.filter((column) => kept.some(({ of, step }) => of === column.of && step === column.step));
  const fit = fitOf(own, within(used.map((row) => Math.log(row.value))), df);
  const effects = columns.map((column): ModelEffect => {
    const { of, step, choice } = column;
    const others = together.get(column);
    if (others === undefined) return { of, step, choice, state: "never changed" };
    if (others.length > 0) return { of, step, choice, state: "always changed together", with: others };
    const { beta = 0, half = 0 } = fit.get(column) ?? {};
    return { of, step, choice, state: "told", ratio: Math.exp(beta), low: Math.exp(beta - half), high: Math.exp(beta + half) };
  });
  return { ...size, effects };
}

function countsOf<T>(values: readonly T[]): ReadonlyMap<T, number> {
  const counts = new Map<T, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return counts;
}

function columnsOf(variables: readonly ModelVariable[], rows: readonly ModelRow[]): readonly Column[] {
  const of = variables.flatMap((variable): readonly Column[] => {
    const { id } = variable;
    if (variable.kind === "number") {
      const values = rows.map((row) => Number(row.x[id]));
      const doubles = values.every((value) => value > 0);
      return [{ of: id, step: doubles ? "doubling" : "one more", choice: null, values: doubles ? values.map(Math.log2) : values }];
    }
    const counts = countsOf(rows.map((row) => row.x[id]));
    const most = Math.max(0, ...counts.values());
    const usual = variable.options.find((option) => counts.get(option) === most);
    return variable.options
      .filter((option) => option !== usual)
      .map((option) => ({
        of: id,
        step: `${option} against ${usual}`,
        choice: { option, against: usual ?? "" },
        values: rows.map((row) => Number(row.x[id] === option)),
      }));
  });
  return [...of, { of: "practice", step: "one version later", choice: null, values: rows.map((row) => row.version - 1) }];
}

/** Takes from each value the mean of its builder's. */
function lessOwnMean(rows: readonly ModelRow[]): (values: readonly number[]) => readonly number[] {
  const places = new Map<string, number>();
  const of = rows.map(({ builder }) => {
    const place = places.get(builder) ?? places.size;
    places.set(builder, place);
    return place;
  });
  const counts = new Float64Array(places.size);
  for (const place of of) counts[place] = (counts[place] ?? 0) + 1;
  return (values) => {
    const sums = new Float64Array(places.size);
    for (const [i, place] of of.entries()) sums[place] = (sums[place] ?? 0) + (values[i] ?? 0);
    return of.map((place, i) => (values[i] ?? 0) - (sums[place] ?? 0) / (counts[place] ?? 1));
  };
}

/** Of a vector; however many values, none is passed on its own: a call takes some hundred thousand at most. */
const length = (values: readonly number[]): number => Math.sqrt(values.reduce((sum, value) => sum + value * value, 0));
const isChanging = (values: readonly number[]): boolean => length(values) > 1e-9 * Math.max(1, values.length);

function unitColumns(columns: readonly Column[]): Matrix {
  const matrix = new Matrix(columns[0]?.values.length ?? 0, columns.length);
  for (const [j, { values }] of columns.entries()) {
    const whole = length(values);
    for (const [i, value] of values.entries()) matrix.set(i, j, value / whole);
  }
  return matrix;
}

/** The same columns as they stand to each other, of length 1 and no longer than they are many: thousands of rows are gone through once. */
function shortened(columns: readonly Column[]): readonly Column[] {
  if (columns.length === 0 || (columns[0]?.values.length ?? 0) <= columns.length) return columns;
  const { upperTriangularMatrix } = new QrDecomposition(unitColumns(columns));
  return columns.map((column, j) => ({ ...column, values: upperTriangularMatrix.getColumn(j) }));
}

/** What the others leave of a column of length 1. */
function restOf(column: Column, others: readonly Column[]): number {
  if (others.length === 0) return 1;
  const [target, from] = [unitColumns([column]), unitColumns(others)];
  const solution = new SingularValueDecomposition(from, { autoTranspose: true }).solve(target);
  return Matrix.sub(target, from.mmul(solution)).norm();
}

/** Which other variables make up a column; none where they don't. */
function madeUpBy({ of, step }: Column, all: readonly Column[]): readonly string[] {
  const column = all.find((one) => one.of === of && one.step === step);
  if (!column) return [];
  const others = all.filter((other) => other !== column);
  if (restOf(column, others) >= nothing) return [];
  // Those without which it is no longer made up belong to it.
  const needed = others.filter(
    (one) =>
      restOf(
        column,
        others.filter((other) => other !== one),
      ) >= nothing,
  );
  return [...new Set((needed.length > 0 ? needed : others).map((other) => other.of))].filter((other) => other !== of);
}

/** As many of the columns as say something of their own, in order. */
function independent(columns: readonly Column[]): readonly Column[] {
  const kept: Column[] = [];
  for (const column of columns) if (restOf(column, kept) >= nothing) kept.push(column);
  return kept;
}

interface Slope {
  readonly beta: number;
  /** Of its 95 % interval. */
  readonly half: number;
}

function fitOf(columns: readonly Column[], y: readonly number[], df: number): ReadonlyMap<Column, Slope> {
  if (columns.length === 0) return new Map();
  const x = Matrix.columnVector([...(columns[0]?.values ?? [])]);
  for (const { values } of columns.slice(1)) x.addColumn([...values]);
  const target = Matrix.columnVector([...y]);
  const qr = new QrDecomposition(x);
  const beta = qr.solve(target);
  const rest = Matrix.sub(target, x.mmul(beta)).norm() ** 2 / df;
  // (XᵀX)⁻¹ = R⁻¹R⁻ᵀ.
  const inverse = new QrDecomposition(qr.upperTriangularMatrix).solve(Matrix.eye(columns.length));
  const t = tQuantile(0.975, df);
  return new Map(
    columns.map((column, j) => {
      const own = inverse.getRow(j).reduce((sum, value) => sum + value ** 2, 0);
      return [column, { beta: beta.get(j, 0), half: t * Math.sqrt(rest * own) }];
    }),
  );
}
