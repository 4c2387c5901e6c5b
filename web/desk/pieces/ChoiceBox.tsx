import { Select } from "antd";
import { useId } from "react";

interface ChoiceBoxProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly onChoose: (value: T) => void;
}

/** One of a short list, under its label. */
export function ChoiceBox<T extends string>({ label, value, options, onChoose }: ChoiceBoxProps<T>) {
  const id = useId();
  return (
    <span>
      <label className="field-label small" htmlFor={id}>
        {label}
      </label>
      <Select<T> id={id} className="box-l" value={value} options={[...options]} onChange={onChoose} />
    </span>
  );
}
