import type { KeyboardEvent } from "react";
import { useLocked } from "../../shared/pieces/locked.ts";
import { useTyped } from "../../shared/pieces/useTyped.ts";
import "./editCell.css";

interface CellBoxProps {
  readonly label: string;
  /** Cells of one column are walked through with the arrow keys. */
  readonly column: string;
  readonly shown: string;
  /** Words of so many letters in sight; a number is short. */
  readonly letters?: number;
  /** Begins with the keys in it. */
  readonly focused?: boolean;
  /** Takes what was typed, or says why not. */
  readonly onTake: (typed: string) => string | null;
}

/** A cell of a grid: type over it; Enter and the arrows keep it and go to the next row, Escape puts it back. */
export function CellBox({ label, column, shown, letters, focused = false, onTake }: CellBoxProps) {
  const locked = useLocked();
  const { text, trouble, type, commit, onKeyDown } = useTyped(shown, onTake);
  const key = (event: KeyboardEvent<HTMLInputElement>): void => {
    const step = event.key === "ArrowUp" ? -1 : event.key === "ArrowDown" || event.key === "Enter" ? 1 : 0;
    if (step === 0) return onKeyDown(event);
    event.preventDefault();
    if (commit()) goBy(event.currentTarget, column, step);
  };
  return (
    <span className="cell">
      <input
        type="text"
        aria-label={label}
        aria-invalid={trouble !== null}
        disabled={locked}
        // biome-ignore lint/a11y/noAutofocus: it stands where the button was that opened it
        autoFocus={focused}
        data-column={column}
        {...(letters === undefined ? {} : { className: "words", size: letters })}
        value={text}
        onFocus={(event) => event.currentTarget.select()}
        onChange={(event) => type(event.target.value)}
        onBlur={commit}
        onKeyDown={key}
      />
      {trouble === null ? null : (
        <span role="alert" className="ruler-trouble">
          {trouble}
        </span>
      )}
    </span>
  );
}

function goBy(from: HTMLInputElement, column: string, step: number): void {
  const cells = [...(from.closest("table")?.querySelectorAll<HTMLInputElement>(`[data-column="${column}"]`) ?? [])];
  cells[cells.indexOf(from) + step]?.focus();
}
