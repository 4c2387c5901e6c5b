import { type FocusEvent, useState } from "react";
import { Button } from "./Button.tsx";
import { CellBox } from "./CellBox.tsx";
import "./editCell.css";

interface EditCellProps {
  readonly label: string;
  readonly column: string;
  readonly shown: string;
  /** Takes what was typed, or says why not. */
  readonly onTake: (typed: string) => string | null;
}

/** A number in a long table: it is read as words, and becomes a box when it is pressed. Escape puts it back. */
export function EditCell({ label, column, shown, onTake }: EditCellProps) {
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <Button type="text" size="small" className="edit-cell" aria-description={`Change ${label}`} onClick={() => setOpen(true)}>
        {shown}
      </Button>
    );
  const left = ({ target }: FocusEvent<HTMLElement>): void => {
    // What could not be taken stays open, with the words that say why.
    setTimeout(() => {
      if (target.getAttribute("aria-invalid") !== "true") setOpen(false);
    }, 0);
  };
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the box inside is what is pressed; this only notes that it was left
    <span onBlur={left} onKeyDown={(event) => event.key === "Escape" && setOpen(false)}>
      <CellBox label={label} column={column} shown={shown} focused onTake={onTake} />
    </span>
  );
}
