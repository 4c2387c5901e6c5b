import { Input } from "antd";
import { useTyped } from "../../shared/pieces/useTyped.ts";
import { Labelled } from "./Labelled.tsx";

interface LineBoxProps {
  readonly label: string;
  readonly value: string;
  readonly most: number;
  readonly placeholder?: string;
  /** Takes what was typed, or says how to mend it. */
  readonly onTake: (typed: string) => string | null;
}

/** A line of words, taken when the box is left or Enter is pressed. */
export function LineBox({ label, value, most, placeholder, onTake }: LineBoxProps) {
  const { text, trouble, type, commit, onKeyDown } = useTyped(value, (typed) => onTake(typed.trim()));
  return (
    <Labelled label={label} trouble={trouble}>
      <Input
        className="box-m"
        maxLength={most}
        placeholder={placeholder ?? ""}
        value={text}
        {...(trouble === null ? {} : { status: "error" as const })}
        onChange={(event) => type(event.target.value)}
        onBlur={commit}
        onKeyDown={onKeyDown}
      />
    </Labelled>
  );
}
