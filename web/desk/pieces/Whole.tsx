import { InputNumber } from "antd";
import { type ReactNode, useId } from "react";

/** A small whole number. */
export function Whole({
  label,
  min,
  max,
  value,
  onChange,
}: {
  readonly label: ReactNode;
  readonly min: number;
  readonly max: number;
  readonly value: number;
  readonly onChange: (value: number) => void;
}) {
  const id = useId();
  return (
    <span className="row near">
      <label htmlFor={id}>{label}</label>
      <InputNumber
        id={id}
        min={min}
        max={max}
        precision={0}
        className="box-s"
        value={value}
        onChange={(next) => next !== null && onChange(next)}
      />
    </span>
  );
}
