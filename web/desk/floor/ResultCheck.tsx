import { flagWords, type Measure, reasonWords, showQuantity, type UnitChoice, unitById, type Verdict } from "@lampcrate/core";
import { Button } from "../pieces/Button.tsx";
import "./resultCheck.css";

interface ResultCheckProps {
  readonly verdict: Verdict;
  readonly si: number;
  readonly measure: Measure;
  readonly units: UnitChoice;
  readonly onTake: (raw: string) => void;
}

/** What is odd about a result, and what may have been meant: it asks, and keeps nobody from keeping it. */
export function ResultCheck({ verdict: { flag, offers }, si, measure, units, onTake }: ResultCheckProps) {
  if (flag === null && offers.length === 0) return null;
  const shown = (value: number): string => showQuantity(value, measure.dimension, units);
  const typed = (value: number): string =>
    String(Number((value / (measure.unit === null ? 1 : unitById(measure.unit).factor)).toPrecision(4)));
  return (
    <div role="status" className="result-check">
      <p>
        {flagWords(flag, shown(si))} {offers.length > 0 ? "Was it meant so?" : "Look once more; it can be kept all the same."}
      </p>
      {offers.map(({ value, reasons }) => (
        <Button key={value} className="floor-key" onClick={() => onTake(typed(value))}>
          {shown(value)}, {reasons.map(reasonWords).join(", ")}
        </Button>
      ))}
    </div>
  );
}
