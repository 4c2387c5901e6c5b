import Papa from "papaparse";

/** Rows of a spreadsheet, by tabs or by whatever separates them. */
export const rowsOf = (text: string): string[][] =>
  text.trim() === "" ? [] : Papa.parse<string[]>(text, { delimiter: text.includes("\t") ? "\t" : "" }).data;

interface RowTroublesProps {
  readonly troubles: readonly { readonly row: number; readonly words: string }[];
  /** Only so many are told one by one. */
  readonly most?: number;
}

/** What of pasted rows can't be taken, said by its row. */
export function RowTroubles({ troubles, most = troubles.length }: RowTroublesProps) {
  if (troubles.length === 0) return null;
  return (
    <ul role="alert" className="trouble plain-list">
      {troubles.slice(0, most).map(({ row, words }) => (
        <li key={row}>
          Row {row}: {words}
        </li>
      ))}
      {troubles.length > most ? <li>and {troubles.length - most} more rows.</li> : null}
    </ul>
  );
}
