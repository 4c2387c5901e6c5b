import { type Band, bandWords, type Family, type Goal, showPredicted, tell, type UnitChoice, type Values } from "@lampcrate/core";

interface DesignResultProps {
  readonly family: Family;
  readonly spec: Values;
  readonly design: Values;
  readonly goal: Goal;
  readonly units: UnitChoice;
  readonly learned: (band: Band) => Band;
  /** Checked results that the learned band rests on. */
  readonly results: number;
}

/** What one design should do: the goal's measure first, large, with its band; what cannot work, if anything. */
export function DesignResult({ family, spec, design, goal, units, learned, results }: DesignResultProps) {
  const predictions = family.predict(spec, design);
  const main = predictions.find((prediction) => prediction.id === goal.measure);
  const cannot = family.cannot(spec, design);
  return (
    <div className="stack near">
      {main ? (
        <p role="status">
          {main.words}:{" "}
          {main.band.beyond !== undefined && main.band.mid >= main.band.beyond ? (
            <strong>{bandWords(main.band, (value) => showPredicted(value, main.dimension, units))}</strong>
          ) : (
            <>
              <strong className="predicted-number">{showPredicted(main.band.mid, main.dimension, units)}</strong>{" "}
              <span className="soft">
                ({showPredicted(main.band.low, main.dimension, units)} to {showPredicted(main.band.high, main.dimension, units)})
              </span>
            </>
          )}
          {results > 0 ? (
            <span className="small">
              {" "}
              after {results} {results === 1 ? "result" : "results"}:{" "}
              <strong>{showPredicted(learned(main.band).mid, main.dimension, units)}</strong> (
              {showPredicted(learned(main.band).low, main.dimension, units)} to{" "}
              {showPredicted(learned(main.band).high, main.dimension, units)})
            </span>
          ) : null}
        </p>
      ) : null}
      <p className="small">
        {predictions
          .filter((prediction) => prediction !== main)
          .map((p) => `${p.words}: ${showPredicted(p.band.mid, p.dimension, units)}`)
          .join(". ")}
      </p>
      {cannot ? (
        <p className="cannot">
          <strong>Will not do.</strong> {tell(cannot, units)}
        </p>
      ) : null}
    </div>
  );
}
