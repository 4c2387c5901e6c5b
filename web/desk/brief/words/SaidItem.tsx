import { fillText } from "@lampcrate/core";
import { useState } from "react";
import { Button } from "../../pieces/Button.tsx";
import { FocusIn } from "../../pieces/FocusIn.tsx";
import { useFilling, useNameOf } from "../../work/useFilling.ts";
import { WordsBox } from "./WordsBox.tsx";

interface SaidItemProps {
  readonly what: string;
  readonly words: string;
  /** Read before it, softly. */
  readonly before?: string;
  readonly after?: string;
  readonly onChange: (words: string) => void;
  readonly onRemove: () => void;
}

/** A text in one of the brief's lists, as it reads; changed in place, or taken away. */
export function SaidItem({ what, words, before = "", after = "", onChange, onRemove }: SaidItemProps) {
  const filling = useFilling();
  const nameOf = useNameOf();
  const [open, setOpen] = useState(false);
  const said = fillText(words, filling);
  const buttons = (
    <>
      <Button type="text" size="small" aria-expanded={open} aria-label={`Change: ${said}`} onClick={() => setOpen(!open)}>
        {open ? "close" : "change"}
      </Button>
      <Button type="text" size="small" aria-label={`Take away: ${said}`} onClick={onRemove}>
        take away
      </Button>
    </>
  );
  if (!open)
    return (
      <>
        {before ? <span className="soft small">{before} </span> : null}
        {said} {after ? <span className="soft small">{after}</span> : null} {buttons}
      </>
    );
  return (
    <div className="row">
      <FocusIn>
        <WordsBox
          label={what}
          bare
          text={words}
          most={240}
          filling={filling}
          nameOf={nameOf}
          onChange={(next) => next.trim() !== "" && onChange(next)}
          onEnter={() => setOpen(false)}
        />
      </FocusIn>
      {buttons}
    </div>
  );
}
