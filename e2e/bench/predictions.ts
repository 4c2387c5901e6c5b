import { type Family, type Field, families, familyIds, measurability, startValues, type Values } from "@lampcrate/core";

/** Values spread over a family's dials, the same at every run. */
function spread(fields: readonly Field[], at: number): Values {
  return Object.fromEntries(
    fields.map((field, i) => {
      const share = ((at * 37 + i * 61) % 100) / 100;
      if (field.kind === "choice") return [field.id, field.options[(at + i) % field.options.length]?.id ?? field.start];
      const value = field.min + share * (field.max - field.min);
      return [field.id, field.dimension === "count" ? Math.round(value) : value];
    }),
  );
}

const rounds = 120;

/** The slowest single prediction, drawing or bound of each family over its dials, ms, after a warm-up; and one judgement of a test. */
export function benchPredictions(): { readonly worst: readonly (readonly [family: string, ms: number])[]; readonly judgeMs: number } {
  const worst = familyIds.map((id) => [id, worstOf(families[id])] as const);
  const { descent } = families;
  const design = startValues(descent.design);
  const brief = {
    family: descent,
    spec: startValues(descent.spec),
    design,
    rival: { ...design, sizeM: 0.11 },
    trials: 3,
    instrument: "hand stopwatch",
    seen: null,
  };
  measurability(brief);
  const from = performance.now();
  measurability(brief);
  return { worst, judgeMs: performance.now() - from };
}

function worstOf(family: Family): number {
  const tasks = (spec: Values, design: Values): readonly (() => unknown)[] => [
    () => family.predict(spec, design),
    () => family.drawing(spec, design),
    () => family.bounds(family.measures(spec)[0].id, spec, design, 0.02),
    () => family.needs(spec),
    () => family.cannot(spec, design),
  ];
  const times: number[] = [];
  for (let round = 0; round < rounds; round += 1) {
    const [spec, design] = [spread(family.spec, round), spread(family.design, round + 7)];
    for (const task of tasks(spec, design)) {
      const from = performance.now();
      task();
      if (round >= 20) times.push(performance.now() - from);
    }
  }
  // One in two hundred may be the machine's own hiccup, not ours.
  return times.sort((a, b) => a - b)[Math.floor(times.length * 0.995)] ?? 0;
}
