import { Select } from "antd";
import { useMemo } from "react";

interface HouseChoiceProps {
  readonly id?: string;
  readonly value?: string;
  readonly onChange?: (value: string) => void;
}

/** A time zone of the world, searched by typing any part of its name. */
export function ZoneChoice(props: HouseChoiceProps) {
  const options = useMemo(
    () => withOwn([...Intl.supportedValuesOf("timeZone"), "CET", "EET", "WET", "UTC"], props.value, (zone) => zone),
    [props.value],
  );
  return <Searched {...props} options={options} />;
}

/** Money of the world, searched by its letters or its name. */
export function CurrencyChoice(props: HouseChoiceProps) {
  const options = useMemo(() => {
    const names = new Intl.DisplayNames("en", { type: "currency" });
    return withOwn(Intl.supportedValuesOf("currency"), props.value, (code) => `${code}, ${names.of(code) ?? code}`);
  }, [props.value]);
  return <Searched {...props} options={options} />;
}

type Options = readonly { readonly value: string; readonly label: string }[];

/** What the browser knows, and what is set already though it doesn't. */
function withOwn(known: readonly string[], own: string | undefined, words: (value: string) => string): Options {
  const all = [...new Set([...known, ...(own ? [own] : [])])].sort();
  return all.map((value) => ({ value, label: words(value) }));
}

function Searched({ options, ...props }: HouseChoiceProps & { readonly options: Options }) {
  return <Select {...props} className="wide" options={[...options]} showSearch={{ optionFilterProp: "label" }} />;
}
