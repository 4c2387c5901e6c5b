/** What a mixed-integer solver answers. */
export interface Solved {
  readonly optimal: boolean;
  /** It ran out of time: whether there is a solution, or a better one, isn't known. */
  readonly stopped?: boolean;
  readonly objective: number;
  /** By the variable's name. */
  readonly values: Readonly<Record<string, number>>;
  /** Shadow prices by the row's name; of no meaning in a program with whole numbers. */
  readonly prices: Readonly<Record<string, number>>;
}

/** How far a solver must go: it may stop within this part of the optimum, or after so many seconds. */
export interface SolveLimits {
  readonly gap?: number;
  readonly seconds?: number;
}

/** Solves a program in the CPLEX LP text format. The solver itself is brought in from outside: a worker on the desk, Node in tests. */
export type Solve = (program: string, limits?: SolveLimits) => Solved;

/** What is used of HiGHS as it was loaded: brought in from outside, so that core stands on nothing but itself. */
interface Highs {
  solve(
    program: string,
    options: { readonly mip_rel_gap: number; readonly time_limit: number },
  ): {
    readonly Status: string;
    readonly ObjectiveValue: number;
    readonly Columns: Readonly<Record<string, object>>;
    readonly Rows: readonly object[];
  };
}

/** A loaded solver as one that can be asked; it gives up after so many seconds unless told otherwise. */
export const solveBy =
  (highs: Highs, usualSeconds: number): Solve =>
  (program, { gap = 0, seconds = usualSeconds } = {}) => {
    const { Status, ObjectiveValue, Columns, Rows } = highs.solve(program, { mip_rel_gap: gap, time_limit: seconds });
    const values = Object.fromEntries(
      Object.entries(Columns).map(([name, column]) => [name, "Primal" in column ? Number(column.Primal) : 0]),
    );
    const prices = Object.fromEntries(
      Rows.map((row, i) => ["Name" in row ? String(row.Name) : `r${i}`, "Dual" in row ? Number(row.Dual) : 0]),
    );
    return { optimal: Status === "Optimal", stopped: Status === "Time limit reached", objective: ObjectiveValue, values, prices };
  };

/** Words of a sum such as "2 x1 + 3 x2", in lines short enough for any reader. */
export function sumText(terms: readonly (readonly [factor: number, name: string])[]): string {
  if (terms.length === 0) return "0 none";
  return terms.map(([factor, name], i) => `${factor < 0 ? "-" : "+"} ${Math.abs(factor)} ${name}${i % 8 === 7 ? "\n" : ""}`).join(" ");
}

/** A program that takes enough of some columns to cover each row's need, as few as can be; `least` of them at least, where that is known. */
export function coverProgram(columns: readonly (readonly number[])[], needs: readonly number[], whole: boolean, least = 0): string {
  const rows = needs.map((need, i) => {
    const terms = columns.flatMap((column, j) => ((column[i] ?? 0) > 0 ? [[column[i] ?? 0, `x${j}`] as const] : []));
    return ` r${i}: ${sumText(terms)} >= ${need}`;
  });
  const all = sumText(columns.map((_, j) => [1, `x${j}`]));
  if (least > 0) rows.push(` least: ${all} >= ${least}`);
  const names = columns.map((_, j) => `x${j}${j % 10 === 9 ? "\n" : ""}`).join(" ");
  return `Minimize\n obj: ${all}\nSubject To\n${rows.join("\n")}\n${whole ? `General\n ${names}\n` : ""}End\n`;
}
