import { type BenchDevice, benchWords, type Measure, unitById } from "@lampcrate/core";
import { type ReactNode, useEffect, useState } from "react";
import { useReading } from "../bench/useReading.ts";
import { Button } from "../pieces/Button.tsx";

const deviceOf: Readonly<Partial<Record<Measure["dimension"], BenchDevice>>> = { mass: "scale", time: "gate" };
/** What a device tells apart, SI: a tenth of a gram, a thousandth of a second. */
const finest: Readonly<Record<BenchDevice, number>> = { scale: 1e-4, gate: 1e-3 };

/**
 * What is typed of a result, and what the bench puts there: a reading that has come to rest lands by itself where nothing
 * was typed, or where the reading before it stands; beside what a hand has typed it is offered.
 */
export function useLanding(measure: Measure | undefined): {
  readonly raw: string;
  readonly setRaw: (next: (was: string) => string) => void;
  readonly fromBench: ReactNode;
} {
  const device = measure && !measure.numberless && !measure.rungs ? (deviceOf[measure.dimension] ?? null) : null;
  const { state, why, reading, plugIn } = useReading(device);
  const [raw, setRaw] = useState("");
  const [landed, setLanded] = useState<string | null>(null);
  const words = device && reading && measure?.unit ? wordsOf(reading.si, measure.unit, finest[device]) : null;
  const land = (next: string): void => {
    setRaw(next);
    setLanded(next);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: each reading lands once, when it comes
  useEffect(() => {
    if (words !== null && (raw === "" || raw === landed)) land(words);
  }, [reading?.number]);
  if (device === null || state === "off") return { raw, setRaw, fromBench: null };
  const name = benchWords[device];
  const fromBench = (
    <p className="from-bench row spread" role="status">
      <span>
        {state === "lost" ? `${name}: ${why}` : raw !== "" && raw === landed ? `From the ${name.toLowerCase()}` : `${name} is ready`}
      </span>
      {words !== null && raw !== words ? (
        <Button onClick={() => land(words)}>
          Take {words} {measure?.unit} from the {name.toLowerCase()}
        </Button>
      ) : null}
      {state === "lost" && plugIn ? <Button onClick={plugIn}>Choose the cable</Button> : null}
    </p>
  );
  return { raw, setRaw, fromBench };
}

/** A number as it would be typed, in the measure's own unit, as finely as the device tells it. */
function wordsOf(si: number, unit: string, finest: number): string {
  const { factor } = unitById(unit);
  const places = Math.max(0, Math.ceil(-Math.log10(finest / factor) - 1e-9));
  return String(Number((si / factor).toFixed(places)));
}
