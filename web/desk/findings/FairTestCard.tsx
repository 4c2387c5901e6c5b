import {
  comparisonWords,
  declaredWords,
  type FairTestFound,
  outcomeSaid,
  showNumber,
  showQuantity,
  type UnitChoice,
} from "@lampcrate/core";
import { StillRuler } from "../../shared/pieces/Ruler.tsx";
import { quantityScale } from "../../shared/pieces/scale.ts";
import { Term } from "../pieces/Term.tsx";

/** One fair test: said in a sentence, then its interval on the ruler, 0 as the amber mark. */
export function FairTestCard({ found, units }: { readonly found: FairTestFound; readonly units: UnitChoice }) {
  const { measure } = found;
  const { numbers, bounded, passes, rungs } = found.result;
  if (!numbers && !bounded && !passes && !rungs) return null;
  const value = (v: string | number | null): string => (v === null ? "" : declaredWords(found.field, v, units));
  const said = (trials: FairTestFound["oldTrials"]): string => trials.map((trial) => outcomeSaid(trial, measure, units)).join(", ");
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
        to {value(found.toValue)}. Trials {said(found.oldTrials)}; and {said(found.newTrials)}.
      </p>
      {numbers ? <Difference numbers={numbers} measure={measure} units={units} /> : null}
      {passes ? (
        <p className="small soft">
          Shares that passed: Newcombe's interval for their difference; Fisher's exact test gives p = {passes.p.toFixed(2)}. One call in
          twenty of this kind is wrong.
        </p>
      ) : null}
      {rungs ? (
        <p className="small soft">
          Rungs are ranked: all ways to split the trials give p = {rungs.p.toFixed(2)}, and with this many it could never be below{" "}
          {rungs.least.toFixed(2)}. One call in twenty of this kind is wrong.
        </p>
      ) : null}
      {bounded ? (
        <p className="small soft">
          Some of it is known only between two numbers, so pairs are compared: all ways to split the trials give p = {bounded.p.toFixed(2)},
          and with this many it could never be below {bounded.least.toFixed(2)}. One call in twenty of this kind is wrong.
        </p>
      ) : null}
    </section>
  );
}

interface DifferenceProps {
  readonly numbers: NonNullable<FairTestFound["result"]["numbers"]>;
  readonly measure: FairTestFound["measure"];
  readonly units: UnitChoice;
}

/** The difference of two means on the ruler, and how it was reckoned. */
function Difference({ numbers, measure, units }: DifferenceProps) {
  const { low, high, difference, df } = numbers.welch;
  const reach = Math.max(Math.abs(low ?? 0), Math.abs(high ?? 0), Math.abs(difference)) * 1.15;
  const scale = quantityScale(measure.dimension, units, measure.unit ?? undefined, Math.abs(difference), measure.token);
  return (
    <>
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
    </>
  );
}
