import { type FocusEvent, type KeyboardEvent, useRef, useState } from "react";
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

/**
 * A number in a long table: it is read as words, and becomes a box when it is pressed. Enter keeps what was
 * typed, Escape puts it back; the keys are on the cell again then.
 */
export function EditCell({ label, column, shown, onTake }: EditCellProps) {
  const [open, setOpen] = useState(false);
  const byKey = useRef(false);
  if (!open)
    return (
      <Button
        type="text"
        size="small"
        className="edit-cell"
        aria-description={`Change ${label}`}
        autoFocus={byKey.current}
        onClick={() => setOpen(true)}
      >
        {shown}
      </Button>
    );
  const close = (keys: boolean): void => {
    byKey.current = keys;
    setOpen(false);
  };
  // What could not be taken stays open, with the words that say why.
  const closeIfTaken = (box: HTMLElement, keys: boolean): void => {
    setTimeout(() => {
      if (box.getAttribute("aria-invalid") !== "true") close(keys);
    }, 0);
  };
  const press = ({ key, target }: KeyboardEvent): void => {
    if (key === "Escape") close(true);
    if (key === "Enter") closeIfTaken(target as HTMLElement, true);
  };
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the box inside is what is pressed; this only notes that it was left
    <span onBlur={({ target }: FocusEvent<HTMLElement>) => closeIfTaken(target, false)} onKeyDown={press}>
      <CellBox label={label} column={column} shown={shown} focused onTake={onTake} />
    </span>
  );
}
