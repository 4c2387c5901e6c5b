import type { FloorUnit } from "@lampcrate/core";
import { Button } from "../pieces/Button.tsx";
import type { Floor } from "./useFloor.ts";

const minute = 60_000;

/** Who builds, longest first: a tap sends them to the line; who has tested builds again or goes home. */
export function Builds({ held: { floor, now, tap } }: { readonly held: Floor }) {
  const of = (stage: FloorUnit["stage"]): readonly FloorUnit[] =>
    floor.units.filter((unit) => unit.stage === stage).sort((a, b) => a.since - b.since);
  const [building, tested] = [of("builds"), of("tested")];
  return (
    <section aria-label="Building" className="floor-box floor-builds">
      {tested.length === 0 ? null : (
        <>
          <h2>Tested: what now?</h2>
          <ul className="tested">
            {tested.map((unit) => (
              <li key={unit.id}>
                <strong>{unit.label}</strong>
                <span className="soft">{lastResult(unit)}</span>
                <Button
                  className="floor-key"
                  aria-label={`${unit.label} builds again`}
                  onClick={() => tap({ kind: "again", unit: unit.id })}
                >
                  builds again
                </Button>
                <Button className="floor-key" aria-label={`${unit.label} goes home`} onClick={() => tap({ kind: "home", unit: unit.id })}>
                  home
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
      <h2>
        Building <span className="soft">tap who is ready to test</span>
      </h2>
      {building.length === 0 ? <p className="soft">Nobody builds. A party that comes in stands here.</p> : null}
      <div className="build-tiles">
        {building.map((unit) => (
          <Button
            key={unit.id}
            className="build-tile"
            aria-label={`${unit.label} to the line`}
            onClick={() => tap({ kind: "line", unit: unit.id })}
          >
            <strong>{unit.label}</strong>
            <span>{Math.max(0, Math.round((now - unit.since) / minute))} min</span>
          </Button>
        ))}
      </div>
    </section>
  );
}

function lastResult({ results }: FloorUnit): string {
  const last = results.at(-1);
  if (!last) return "";
  return last.outcome === "failed" ? "no number" : last.outcome === "passed" ? `passed ${last.raw}` : last.raw;
}
