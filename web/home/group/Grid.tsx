import type { SheetDoc } from "@lampcrate/contract";
import { mostBuilders } from "@lampcrate/contract";
import type { Family } from "@lampcrate/core";
import { type ClipboardEvent, type KeyboardEvent, useRef } from "react";
import { useWords } from "../../shared/words/useWords.ts";
import { columnsOf, everyone, headOf, versionName, versionsOn } from "./columns.ts";
import { blankLine, type GroupDraft, markColumn, type Pasted, withBlock, withCell } from "./draft.ts";
import { GridLine } from "./GridLine.tsx";

interface GridProps {
  readonly sheet: SheetDoc;
  readonly family: Family;
  readonly draft: GroupDraft;
  /** Cells that are asked about, by line and column: "3 1.2". */
  readonly asked: ReadonlySet<string>;
  readonly onChange: (patch: (now: GroupDraft) => Partial<GroupDraft>) => void;
  /** A block was put in at once: so many lines were too many. */
  readonly onPasted: (pasted: Pasted) => void;
}

/** A whole group on one page, filled in by keyboard or from a spreadsheet: Enter and the arrows go down and up, Tab goes on. */
export function Grid({ sheet, family, draft, asked, onChange, onPasted }: GridProps) {
  const words = useWords();
  const table = useRef<HTMLTableElement>(null);
  const columns = columnsOf(family, sheet.brief, draft);
  const all = [markColumn, ...columns.map(({ id }) => id)];
  const write = (line: number, column: string, text: string): void =>
    onChange((now) =>
      line === everyone
        ? { everyone: { ...now.everyone, [column]: text } }
        : { lines: now.lines.map((one, i) => (i === line ? withCell(one, [column, text]) : one)) },
    );
  const paste = async (line: number, column: string, text: string): Promise<void> => {
    const block = await blockOf(text, all.slice(all.indexOf(column)));
    onChange((now) => {
      const { left, ...put } = withBlock(now, line, block);
      onPasted({ before: { lines: now.lines, everyone: now.everyone }, left });
      return put;
    });
  };
  const onPaste = (event: ClipboardEvent<HTMLInputElement>, line: number, column: string): void => {
    const text = event.clipboardData.getData("text/plain");
    if (!/[\t\n]/.test(text.trimEnd())) return;
    event.preventDefault();
    void paste(line, column, text);
  };
  const onKey = (event: KeyboardEvent<HTMLInputElement>, line: number, column: string): void => {
    const by = event.key === "Enter" || event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
    if (by === 0) return;
    event.preventDefault();
    table.current?.querySelector<HTMLInputElement>(`[data-cell="${line + by} ${column}"]`)?.focus();
  };
  const askedIn = (line: number): string =>
    columns
      .filter(({ id }) => asked.has(`${line} ${id}`))
      .map(({ id }) => id)
      .join(" ");
  const shape = `${all.join(" ")} ${draft.varied}`;
  const shared = { columns, shape, forAll: draft.everyone, on: { write, onPaste, onKey } };
  return (
    <div className="grid-frame" role="region" aria-label={words.group.table} tabIndex={-1}>
      <table className="group-grid" ref={table}>
        <thead>
          <tr>
            <th scope="col" rowSpan={2}>
              {words.group.row}
            </th>
            <th scope="col" rowSpan={2}>
              {words.group.mark}
            </th>
            {versionsOn(family, draft).map((version) => (
              <th key={version} scope="colgroup" colSpan={columns.filter((column) => column.version === version).length}>
                {versionName(version, words)}
              </th>
            ))}
          </tr>
          <tr>
            {columns.map((column) => (
              <th key={column.id} scope="col">
                {headOf(column, words)}
                {column.unit ? <span className="soft">, {column.unit}</span> : null}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {columns.some(({ holds }) => holds === "setting") ? (
            <GridLine {...shared} line={{ mark: "", cells: draft.everyone }} at={everyone} asked={askedIn(everyone)} />
          ) : null}
          {draft.lines.map((line, at) => (
            <GridLine key={line.id} {...shared} line={line} at={at} asked={askedIn(at)} />
          ))}
        </tbody>
      </table>
      {draft.lines.length < mostBuilders ? (
        <button
          type="button"
          className="link no-print"
          onClick={() =>
            onChange(({ lines }) => ({ lines: [...lines, ...Array.from({ length: Math.min(5, mostBuilders - lines.length) }, blankLine)] }))
          }
        >
          {words.group.more}
        </button>
      ) : null}
    </div>
  );
}

/** Rows of a spreadsheet as cells of the columns they fall under; what reaches beyond the last column is left out. */
async function blockOf(text: string, columns: readonly string[]) {
  const { default: Papa } = await import("papaparse");
  const { data } = Papa.parse<string[]>(text.replace(/\s+$/, ""), { delimiter: text.includes("\t") ? "\t" : "" });
  return data.map((cells) => columns.slice(0, cells.length).map((column, i) => [column, (cells[i] ?? "").trim().slice(0, 60)] as const));
}
