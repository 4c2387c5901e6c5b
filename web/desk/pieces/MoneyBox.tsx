import { InputNumber } from "antd";

interface MoneyBoxProps {
  /** What it is called where no label stands around it. */
  readonly name?: string;
  readonly suffix?: string;
  /** null while there is none. */
  readonly cents: number | null;
  readonly onChange: (cents: number | null) => void;
}

/** An amount of money, typed in whole and hundredths. */
export function MoneyBox({ name, suffix, cents, onChange }: MoneyBoxProps) {
  return (
    <InputNumber
      {...(name === undefined ? {} : { "aria-label": name })}
      suffix={suffix}
      className="box-m"
      min={0}
      precision={2}
      value={cents === null ? null : cents / 100}
      onChange={(next) => onChange(next === null ? null : Math.round(next * 100))}
    />
  );
}
