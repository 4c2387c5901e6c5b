import type { Measure, UnitChoice } from "@lampcrate/core";
import { flagWords, reasonWords, showAsTyped, showQuantity } from "@lampcrate/core";
import { useWords } from "../../shared/words/useWords.ts";
import { cellName } from "./columns.ts";
import type { AskedCell } from "./read.ts";

interface AskedCellsProps {
  readonly asked: readonly AskedCell[];
  readonly measure: Measure;
  readonly units: UnitChoice;
  readonly onWrite: (cell: AskedCell, text: string) => void;
  readonly onKeep: (cell: AskedCell) => void;
}

const mostShown = 12;

/** What the sheet asks about, cell by cell: how to write it, or what an odd value might have been. Nothing is changed without a press. */
export function AskedCells({ asked, measure, units, onWrite, onKeep }: AskedCellsProps) {
  const words = useWords();
  if (asked.length === 0) return null;
  return (
    <section className="card stacked near no-print" aria-labelledby="asked-cells">
      <h2 id="asked-cells">{words.group.asked(asked.length)}</h2>
      <ul className="plain-list">
        {asked.slice(0, mostShown).map((cell) => (
          <li key={`${cell.line} ${cell.column.id}`}>
            <button
              type="button"
              className="link"
              onClick={() => document.querySelector<HTMLInputElement>(`[data-cell="${cell.line} ${cell.column.id}"]`)?.focus()}
            >
              {cellName(cell.line, cell.column, words)}
            </button>
            : {cell.trouble ?? <Odd cell={cell} measure={measure} units={units} onWrite={onWrite} onKeep={onKeep} />}
          </li>
        ))}
      </ul>
      {asked.length > mostShown ? <p className="soft">{words.reveal.andMore(asked.length - mostShown)}</p> : null}
    </section>
  );
}

function Odd({ cell, measure, units, onWrite, onKeep }: Omit<AskedCellsProps, "asked"> & { readonly cell: AskedCell }) {
  const words = useWords();
  const { checked } = cell;
  if (!checked?.read.ok) return null;
  const shown = showQuantity(checked.read.si, measure.dimension, units);
  const { flag, offers } = checked.verdict;
  const offer = offers[0];
  const unit = measure.unit ?? "";
  return (
    <span>
      {flagWords(flag, shown) ?? shown}{" "}
      {offer ? (
        <>
          {words.log.didYouMean} {showQuantity(offer.value, measure.dimension, units)} {offer.reasons.map(reasonWords).join(", ")}?{" "}
          <button
            type="button"
            className="plain"
            onClick={() => onWrite(cell, unit === "" ? String(Math.round(offer.value)) : showAsTyped(offer.value, unit))}
          >
            {words.log.yes(showQuantity(offer.value, measure.dimension, units))}
          </button>{" "}
        </>
      ) : null}
      <button type="button" className="plain" onClick={() => onKeep(cell)}>
        {words.log.no}
      </button>
    </span>
  );
}
