import type { Scale } from "./scale.ts";
import { useTyped } from "./useTyped.ts";

/** The box: any unit may be typed; what can't be read stays as typed, with a word on how to mend it. */
export function RulerBox({
  id,
  name,
  scale,
  min,
  max,
  value,
  disabled,
  onChange,
}: {
  readonly id: string;
  /** What it is called where no label stands by it. */
  readonly name?: string;
  readonly scale: Scale;
  readonly min: number;
  readonly max: number;
  readonly value: number;
  readonly disabled: boolean;
  readonly onChange: (value: number) => void;
}) {
  const { text, trouble, type, commit, onKeyDown } = useTyped(scale.show(value), (typed) => {
    const read = scale.read(typed);
    if (!read.ok) return read.words;
    if (read.value < min - 1e-12 || read.value > max + 1e-12) return `Between ${scale.show(min)} and ${scale.show(max)}, please.`;
    onChange(read.value);
    return null;
  });
  return (
    <span className="ruler-typed">
      <input
        id={id}
        aria-label={name}
        className="ruler-box"
        value={text}
        disabled={disabled}
        inputMode="text"
        autoComplete="off"
        aria-invalid={trouble !== null}
        aria-describedby={trouble === null ? undefined : `${id}-trouble`}
        onFocus={(event) => event.currentTarget.select()}
        onChange={(event) => type(event.currentTarget.value)}
        onBlur={commit}
        onKeyDown={onKeyDown}
      />
      {trouble === null ? null : (
        <span id={`${id}-trouble`} role="alert" className="ruler-trouble">
          {trouble}
        </span>
      )}
    </span>
  );
}
