import { Select } from "antd";

interface ChooseProps<T extends string> {
  readonly id?: string;
  readonly label: string;
  /** What is chosen; null where something is to be added and nothing stays chosen. */
  readonly value: T | null;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly placeholder?: string;
  readonly width?: number | "100%";
  readonly onChoose: (value: T) => void;
}

/** More than these are searched by typing. */
const fewEnough = 7;

/** One of several, by its words; long lists are searched by typing. */
export function Choose<T extends string>({ id, label, value, options, placeholder, width, onChoose }: ChooseProps<T>) {
  return (
    <Select<T>
      {...(id === undefined ? {} : { id })}
      aria-label={label}
      value={value}
      options={[...options]}
      placeholder={placeholder}
      style={width === undefined ? { minWidth: 150 } : { width }}
      popupMatchSelectWidth={false}
      showSearch={options.length > fewEnough ? { optionFilterProp: "label" } : false}
      onChange={(next) => onChoose(next)}
    />
  );
}
