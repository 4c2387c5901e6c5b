import { showNumber } from "@lampcrate/core";
import { InputNumber } from "antd";

interface PartySizesProps {
  readonly shares: readonly number[];
  /** Parties expected. */
  readonly parties: number;
  readonly onChange: (shares: readonly number[]) => void;
}

const most = 12;
const fewestShown = 6;

/** How many of a hundred parties are of one, of two and so on; they need not sum to a hundred. */
export function PartySizes({ shares, parties, onChange }: PartySizesProps) {
  const shown = Array.from({ length: Math.min(most, Math.max(fewestShown, shares.length)) }, (_, i) => shares[i] ?? 0);
  const all = shown.reduce((sum, share) => sum + share, 0);
  const mean = all === 0 ? 0 : shown.reduce((sum, share, i) => sum + share * (i + 1), 0) / all;
  const set = (at: number, share: number): void => onChange(shown.map((one, i) => (i === at ? share : one)));
  return (
    <fieldset className="party-sizes">
      <legend className="field-label small">Of a hundred parties, how many have</legend>
      <div className="row feet">
        {shown.map((share, i) => (
          <label key={i} className="small">
            {i === 0 ? "1 builder" : i === shown.length - 1 ? `${i + 1} builders` : i + 1}
            <InputNumber
              className="party-size"
              aria-label={`Parties of ${i + 1}, of a hundred`}
              min={0}
              max={100}
              precision={1}
              value={Math.round(1000 * share) / 10}
              onChange={(next) => next !== null && set(i, next / 100)}
            />
          </label>
        ))}
        <span className="small soft">
          {showNumber(mean, 1)} builders a party, {showNumber(mean * parties, 0)} expected
          {Math.abs(all - 1) > 0.005 ? `; they sum to ${showNumber(100 * all, 0)}, each counts as its share of that` : ""}
        </span>
      </div>
    </fieldset>
  );
}
