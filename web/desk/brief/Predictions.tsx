import { type Goal, type Prediction, showPredicted, type UnitChoice } from "@lampcrate/core";

/** What to expect, in a sentence before any figure. A rough guide, and it says so. */
export function Predictions({
  predictions,
  goal,
  units,
}: {
  readonly predictions: readonly Prediction[];
  readonly goal: Goal;
  readonly units: UnitChoice;
}) {
  const show = (prediction: Prediction, value: number): string => showPredicted(value, prediction.dimension, units);
  const goalPrediction = predictions.find((prediction) => prediction.id === goal.measure);
  return (
    <div className="plain-words">
      {goalPrediction ? <strong>{reachWords(goalPrediction, goal)} </strong> : null}A rough guide for the plain build below; 8 of 10 results
      should fall inside these bands.
      <ul style={{ margin: "6px 0 0", paddingLeft: 18 }}>
        {predictions.map((prediction) => (
          <li key={prediction.id}>
            {prediction.words}: about <strong>{show(prediction, prediction.band.mid)}</strong>
            {prediction.band.factor > 1 ? ` (${show(prediction, prediction.band.low)} to ${show(prediction, prediction.band.high)})` : ""}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Where the goal lies against the band, read as a log-normal: 10 %, half, 90 %. */
function reachWords({ band }: Prediction, goal: Goal): string {
  if (band.mid <= 0) return "The plain build can't do this at all: change its form or the goal.";
  const ratio = goal.better === "more" ? goal.value / band.mid : band.mid / goal.value;
  if (ratio > band.factor ** 2) return "This is out of reach: about one plain build in a hundred gets there.";
  if (ratio > band.factor) return "Hard: fewer than one plain build in ten will make it first go.";
  if (ratio > band.factor ** 0.35) return "A stretch: fewer than four in ten will make it first go.";
  if (ratio > band.factor ** -0.35) return "About half will make it first go.";
  if (ratio > 1 / band.factor) return "Most will make it first go.";
  return "Easy: more than nine plain builds in ten will make it first go.";
}
