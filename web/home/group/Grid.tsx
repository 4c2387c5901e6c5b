import type { SheetDoc } from "@lampcrate/contract";
import { mostBuilders } from "@lampcrate/contract";
import type { Measure } from "@lampcrate/core";
import { type ClipboardEvent, type KeyboardEvent, memo, useRef } from "react";
import { useWords } from "../../shared/words/useWords.ts";
import { type Column, columnsOf } from "./columns.ts";
import { blankLine, type GroupDraft, type GroupLine, markColumn, withBlock, withCell } from "./draft.ts";

interface GridProps {
  readonly sheet: SheetDoc;
  readonly measure: Measure;
  readonly draft: GroupDraft;
  readonly variedWords: string | null;
  /** Cells that are asked about, by line and column: "3 1.2". */
  readonly asked: ReadonlySet<string>;
  readonly onChange: (patch: (now: GroupDraft) => Partial<GroupDraft>) => void;
  /** A block was put in at once: so many lines were too many. */
  readonly onPasted: (before: readonly GroupLine[], left: number) => void;
}

/** A whole group on one page, filled in by keyboard or from a spreadsheet: Enter and the arrows go down and up, Tab goes on. */
export function Grid({ sheet, measure, draft, variedWords, asked, onChange, onPasted }: GridProps) {
  const words = useWords();
  const table = useRef<HTMLTableElement>(null);
  const columns = columnsOf(sheet, draft);
  const unit = measure.rungs ? null : measure.unit;
  const all = [markColumn, ...columns.map(({ id }) => id)];
  const write = (line: number, column: string, text: string): void =>
    onChange(({ lines }) => ({ lines: lines.map((one, i) => (i === line ? withCell(one, [column, text]) : one)) }));
  const paste = async (line: number, column: string, text: string): Promise<void> => {
    const block = await blockOf(text, all.slice(all.indexOf(column)));
    onChange((now) => {
      const { lines, left } = withBlock(now.lines, line, block);
      onPasted(now.lines, left);
      return { lines };
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
            {Array.from({ length: draft.versions }, (_, v) => (
              <th key={v} scope="colgroup" colSpan={columns.length / draft.versions}>
                {words.log.version(v + 1)}
              </th>
            ))}
          </tr>
          <tr>
            {columns.map((column) => (
              <th key={column.id} scope="col">
                {headOf(column, variedWords, words.log.trial)}
                {column.trial !== null && unit ? <span className="soft">, {unit}</span> : null}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {draft.lines.map((line, at) => (
            <Line
              key={line.id}
              line={line}
              at={at}
              columns={columns}
              shape={`${all.join(" ")} ${variedWords}`}
              asked={columns
                .filter(({ id }) => asked.has(`${at} ${id}`))
                .map(({ id }) => id)
                .join(" ")}
              variedWords={variedWords}
              on={{ write, onPaste, onKey }}
            />
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

const headOf = ({ trial }: Column, variedWords: string | null, trialWords: (n: number) => string): string =>
  trial === null ? (variedWords ?? "") : trialWords(trial);

interface LineProps {
  readonly line: GroupLine;
  readonly at: number;
  readonly columns: readonly Column[];
  /** What the columns are, and what they are called. */
  readonly shape: string;
  readonly asked: string;
  readonly variedWords: string | null;
  readonly on: {
    readonly write: (line: number, column: string, text: string) => void;
    readonly onPaste: (event: ClipboardEvent<HTMLInputElement>, line: number, column: string) => void;
    readonly onKey: (event: KeyboardEvent<HTMLInputElement>, line: number, column: string) => void;
  };
}

/** Painted anew only when what stands in it, or is asked of it, has changed: sixty lines are some seven hundred boxes. */
const Line = memo(
  function Line({ line, at, columns, asked, variedWords, on }: LineProps) {
    const words = useWords();
    const odd = asked.split(" ");
    const box = (column: string, label: string, text: string, most: number) => (
      <input
        className="cell"
        data-cell={`${at} ${column}`}
        aria-label={label}
        aria-invalid={odd.includes(column)}
        maxLength={most}
        value={text}
        onChange={(event) => on.write(at, column, event.target.value)}
        onPaste={(event) => on.onPaste(event, at, column)}
        onKeyDown={(event) => on.onKey(event, at, column)}
      />
    );
    return (
      <tr>
        <th scope="row">{at + 1}</th>
        <td>{box(markColumn, words.group.markOf(at + 1), line.mark, 40)}</td>
        {columns.map((column) => (
          <td key={column.id} className={column.trial === null ? "varied" : undefined}>
            {box(column.id, cellName(at, column, variedWords, words), line.cells[column.id] ?? "", 60)}
          </td>
        ))}
      </tr>
    );
  },
  (before, now) => before.line === now.line && before.asked === now.asked && before.shape === now.shape && before.at === now.at,
);

/** A cell as it is spoken of: "row 3, version 1, trial 2". */
export function cellName(line: number, column: Column, variedWords: string | null, words: ReturnType<typeof useWords>): string {
  const version = words.log.version(column.version).toLowerCase();
  return words.group.cell(line + 1, version, headOf(column, variedWords, words.log.trial).toLowerCase());
}

/** Rows of a spreadsheet as cells of the columns they fall under; what reaches beyond the last column is left out. */
async function blockOf(text: string, columns: readonly string[]) {
  const { default: Papa } = await import("papaparse");
  const { data } = Papa.parse<string[]>(text.replace(/\s+$/, ""), { delimiter: text.includes("\t") ? "\t" : "" });
  return data.map((cells) => columns.slice(0, cells.length).map((column, i) => [column, (cells[i] ?? "").trim().slice(0, 60)] as const));
}
