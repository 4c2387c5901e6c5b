import type { Range } from "@lampcrate/core";

/** The values of one version. */
interface VersionValues {
  readonly name: string;
  readonly values: readonly number[];
}

const wide = 420;
const tall = 22;

/** An entry's values on one line, to be seen among many: each version a little lower and darker than the one before. */
export function ManyValues({
  versions,
  span: [from, to],
  goal,
  show,
}: {
  readonly versions: readonly VersionValues[];
  readonly span: Range;
  readonly goal: number;
  readonly show: (si: number) => string;
}) {
  const x = (si: number): number => 6 + (Math.min(Math.max(si, from), to) - from) * ((wide - 12) / (to - from || 1));
  const said = versions.map(({ name, values }) => `${name} ${values.map(show).join(", ")}`).join("; ");
  return (
    <svg className="many-values" viewBox={`0 0 ${wide} ${tall}`} role="img" aria-label={said}>
      <line x1={0} x2={wide} y1={tall / 2} y2={tall / 2} />
      <line x1={x(goal)} x2={x(goal)} y1={0} y2={tall} className="goal" />
      {versions.map(({ name, values }, v) =>
        values.map((si, i) => (
          <circle
            key={`${name} ${i}`}
            cx={x(si)}
            cy={6 + (v * (tall - 12)) / Math.max(1, versions.length - 1)}
            r={4}
            className={`of-${Math.min(v, 3)}`}
          />
        )),
      )}
    </svg>
  );
}
