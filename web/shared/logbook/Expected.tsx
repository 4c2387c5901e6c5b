import type { VersionInput } from "@lampcrate/contract";
import { type Measure, showQuantity } from "@lampcrate/core";
import { StillRuler } from "../pieces/Ruler.tsx";
import { quantityScale } from "../pieces/scale.ts";
import { useWords } from "../words/useWords.ts";
import type { Tried } from "./tried.ts";

/** Where these numbers lie against what is expected: the same ruler as at the desk. */
export function Expected({
  tried,
  version,
  measure,
  values,
}: {
  readonly tried: Tried;
  readonly version: VersionInput;
  readonly measure: Measure;
  readonly values: readonly number[];
}) {
  const words = useWords();
  const { family, spec, design, units } = tried;
  const id = version.role === "control" ? "control" : measure.id;
  const band = family.predict(spec, { ...design, ...version.variables }).find((p) => p.id === id)?.band;
  if (!band || band.mid <= 0) return null;
  const goal = version.role === "control" ? undefined : family.goal(spec).value;
  const max = Math.max(band.high, goal ?? 0, ...values.filter((v) => v < band.high * 3)) * 1.15;
  const show = (value: number): string => showQuantity(value, measure.dimension, units, measure.unit);
  const scale = quantityScale(measure.dimension, units, measure.unit ?? undefined, band.mid, measure.token);
  return (
    <StillRuler
      label={words.log.expect}
      reading={`${show(band.low)} – ${show(band.high)}`}
      scale={scale}
      min={0}
      max={max}
      band={[band.low, band.high]}
      goal={goal}
      marks={values}
    />
  );
}
