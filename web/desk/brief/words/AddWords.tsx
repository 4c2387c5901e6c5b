import { type ReactNode, useState } from "react";
import { Button } from "../../pieces/Button.tsx";
import { useFilling, useNameOf } from "../../work/useFilling.ts";
import { WordsBox } from "./WordsBox.tsx";

interface AddWordsProps {
  readonly label: string;
  readonly placeholder: string;
  /** Stands before the box. */
  readonly before?: ReactNode;
  readonly onAdd: (words: string) => void;
}

/** A text to be added to one of the brief's lists. */
export function AddWords({ label, placeholder, before, onAdd }: AddWordsProps) {
  const filling = useFilling();
  const nameOf = useNameOf();
  const [typed, setTyped] = useState("");
  const add = (): void => {
    if (typed.trim() === "") return;
    onAdd(typed.trim());
    setTyped("");
  };
  return (
    <div className="row added">
      {before}
      <WordsBox
        label={label}
        bare
        placeholder={placeholder}
        text={typed}
        most={240}
        filling={filling}
        nameOf={nameOf}
        onChange={setTyped}
        onEnter={add}
      />
      <Button onClick={add}>Add</Button>
    </div>
  );
}
