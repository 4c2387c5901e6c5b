import type { FloorUnit } from "@lampcrate/core";
import { Button } from "../pieces/Button.tsx";
import { said } from "./doors.ts";
import { moreWait } from "./FloorTop.tsx";
import type { Floor } from "./useFloor.ts";

const minute = 60_000;

/** The rigs, who is at each, who is next and how long they will wait. */
export function Rigs({ held, onResult }: { readonly held: Floor; readonly onResult: (unit: string) => void }) {
  const { floor, forecast, waits, testMin, now, tap } = held;
  const at = (rig: number): FloorUnit | undefined => floor.units.find((unit) => unit.stage === "tests" && unit.rig === rig);
  const taken = new Set(floor.units.flatMap((unit) => (unit.stage === "tests" && unit.rig !== null ? [unit.rig] : [])));
  const count = Math.max(forecast.rigs, ...[...taken].map((rig) => rig + 1));
  const rigs = Array.from({ length: count }, (_, rig) => rig);
  const [next] = floor.line;
  return (
    <section aria-label="Rigs" className="floor-box floor-rigs">
      <h2>
        Rigs <span className="soft">a test takes about {said(testMin)}</span>
      </h2>
      <div className="rig-cards">
        {rigs.map((rig) => {
          const unit = at(rig);
          return unit ? (
            <Button
              key={rig}
              className="rig-card busy"
              onClick={() => onResult(unit.id)}
              aria-label={`Result of ${unit.label} at rig ${rig + 1}`}
            >
              <span>rig {rig + 1}</span>
              <strong>{unit.label}</strong>
              <span>{said(Math.max(0, (now - unit.since) / minute))}: result</span>
            </Button>
          ) : (
            <Button
              key={rig}
              type={next ? "primary" : "default"}
              className="rig-card"
              disabled={!next}
              onClick={() => next && tap({ kind: "rig", unit: next.id, rig })}
              aria-label={next ? `${next.label} to rig ${rig + 1}` : `Rig ${rig + 1} is free`}
            >
              <span>rig {rig + 1}</span>
              <strong>{next ? next.label : "free"}</strong>
              <span>{next ? "comes" : "nobody waits"}</span>
            </Button>
          );
        })}
      </div>
      <h3>{floor.line.length === 0 ? "Nobody in line" : `In line: ${floor.line.length}`}</h3>
      <ol className="floor-line">
        {floor.line.map((unit, i) => (
          <li key={unit.id}>
            <strong>{unit.label}</strong>
            <span>
              waits {said((now - unit.since) / minute)}
              {moreWait(waits[i], ", may come now", ", so long again: ")}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
