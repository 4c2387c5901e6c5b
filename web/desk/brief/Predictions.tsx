import { bandWords, type CheckedRatio, type Goal, learnedBand, type Prediction, showPredicted, type UnitChoice } from "@lampcrate/core";

/** What to expect, in a sentence before any figure. A rough guide, and it says so. */
export function Predictions({
  predictions,
  goal,
  units,
  ratios,
}: {
  readonly predictions: readonly Prediction[];
  readonly goal: Goal;
  readonly units: UnitChoice;
  /** measured ÷ predicted of checked results. */
  readonly ratios: readonly CheckedRatio[];
}) {
  const show = (prediction: Prediction, value: number): string => showPredicted(value, prediction.dimension, units);
  const main = predictions.find((prediction) => prediction.id === goal.measure);
  const learned = learnedBand(main?.band ?? { mid: 0, low: 0, high: 0, factor: 1 }, ratios);
  return (
    <div className="plain-words">
      {main && ratios.length > 0 ? (
        <p>
          <strong>
            {main.words}: about {show(main, learned.mid)} ({show(main, learned.low)} to {show(main, learned.high)}),
          </strong>{" "}
          after {ratios.length} checked {ratios.length === 1 ? "result" : "results"} of this form.
        </p>
      ) : null}
      A rough guide for the plain build below{ratios.length > 0 ? ", before any result" : ""}; 8 of 10 results should fall inside these
      bands.
      <ul className="listed">
        {predictions.map((prediction) => (
          <li key={prediction.id}>
            {prediction.words}: {bandWords(prediction.band, (value) => show(prediction, value))}
          </li>
        ))}
      </ul>
    </div>
  );
}
