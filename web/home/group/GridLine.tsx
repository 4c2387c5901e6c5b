import { type ClipboardEvent, type KeyboardEvent, memo } from "react";
import { useWords } from "../../shared/words/useWords.ts";
import { type Column, cellName, everyone } from "./columns.ts";
import { type GroupLine, markColumn } from "./draft.ts";

interface GridLineProps {
  readonly line: Pick<GroupLine, "mark" | "cells">;
  /** From 0; -1 is the line that holds for everyone. */
  readonly at: number;
  readonly columns: readonly Column[];
  /** What the columns are, and what they are called. */
  readonly shape: string;
  /** Columns that are asked about in this line. */
  readonly asked: string;
  /** What stands for everyone, shown where this line says nothing else. */
  readonly forAll: Readonly<Record<string, string>>;
  readonly on: {
    readonly write: (line: number, column: string, text: string) => void;
    readonly onPaste: (event: ClipboardEvent<HTMLInputElement>, line: number, column: string) => void;
    readonly onKey: (event: KeyboardEvent<HTMLInputElement>, line: number, column: string) => void;
  };
}

/** Painted anew only when what stands in it, or is asked of it, has changed: sixty lines are some seven hundred boxes. */
export const GridLine = memo(
  function GridLine({ line, at, columns, asked, forAll, on }: GridLineProps) {
    const words = useWords();
    const odd = asked.split(" ");
    const isForAll = at === everyone;
    const box = (column: string, label: string, text: string, most: number) => (
      <input
        className="cell"
        data-cell={`${at} ${column}`}
        aria-label={label}
        aria-invalid={odd.includes(column)}
        maxLength={most}
        placeholder={isForAll ? undefined : forAll[column]}
        value={text}
        onChange={(event) => on.write(at, column, event.target.value)}
        onPaste={(event) => on.onPaste(event, at, column)}
        onKeyDown={(event) => on.onKey(event, at, column)}
      />
    );
    return (
      <tr className={isForAll ? "for-all" : undefined}>
        <th scope="row" colSpan={isForAll ? 2 : 1}>
          {isForAll ? words.group.everyone : at + 1}
        </th>
        {isForAll ? null : <td>{box(markColumn, words.group.markOf(at + 1), line.mark, 40)}</td>}
        {columns.map((column) => (
          <td key={column.id} className={isForAll || column.holds === "result" ? undefined : "varied"}>
            {isForAll && column.holds !== "setting" ? null : box(column.id, cellName(at, column, words), line.cells[column.id] ?? "", 60)}
          </td>
        ))}
      </tr>
    );
  },
  (before, now) =>
    before.line === now.line &&
    before.asked === now.asked &&
    before.shape === now.shape &&
    before.forAll === now.forAll &&
    before.at === now.at,
);
