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
