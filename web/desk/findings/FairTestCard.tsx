import { comparisonWords, declaredWords, type FairTestFound, showNumber, showQuantity, type UnitChoice } from "@lampcrate/core";
import { StillRuler } from "../../shared/pieces/Ruler.tsx";
import { quantityScale } from "../../shared/pieces/scale.ts";
import { Term } from "../pieces/Term.tsx";

/** One fair test: said in a sentence, then its interval on the ruler, 0 as the amber mark. */
export function FairTestCard({ found, units }: { readonly found: FairTestFound; readonly units: UnitChoice }) {
  const { measure } = found;
  const numbers = found.result.numbers;
  if (!numbers) return null;
  const { low, high, difference, df } = numbers.welch;
  const value = (v: string | number | null): string => (v === null ? "" : declaredWords(found.field, v, units));
  const reach = Math.max(Math.abs(low ?? 0), Math.abs(high ?? 0), Math.abs(difference)) * 1.15;
  const scale = quantityScale(measure.dimension, units, measure.unit ?? undefined, Math.abs(difference), measure.token);
  return (
    <section className="sheet pad stack" aria-label="A fair test">
      <h2>
        A <Term of="fairTest">fair test</Term>: {found.alias}
      </h2>
      <div className="plain-words">
        <strong>{comparisonWords(found, units)}</strong>
      </div>
      <p className="small">
        Version {found.from} against {found.to}: only {found.variable?.toLowerCase() ?? "one thing"} changed, from {value(found.fromValue)}{" "}
        to {value(found.toValue)}. Trials {found.oldValues.map((v) => showQuantity(v, measure.dimension, units)).join(", ")} and{" "}
        {found.newValues.map((v) => showQuantity(v, measure.dimension, units)).join(", ")}.
      </p>
      {low === null || high === null ? null : (
        <StillRuler
          label="Difference of the means, 95 % interval"
          reading={`${showQuantity(difference, measure.dimension, units)} (${showQuantity(low, measure.dimension, units)} to ${showQuantity(high, measure.dimension, units)})`}
          scale={scale}
          min={-reach}
          max={reach}
          band={[low, high]}
          goal={0}
          marks={[difference]}
        />
      )}
      <p className="small soft">
        Welch's interval with {df === null ? "–" : showNumber(df, 1)} degrees of freedom; a permutation test gives p ={" "}
        {numbers.permutation.p.toFixed(2)}, and with this many trials it could never be below {numbers.permutation.leastP.toFixed(2)}. One
        call in twenty of this kind is wrong.
      </p>
    </section>
  );
}
