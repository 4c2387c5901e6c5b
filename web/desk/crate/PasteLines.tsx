import type { BriefLine, MaterialDoc } from "@lampcrate/contract";
import { pastedLines } from "@lampcrate/core";
import { Button } from "antd";
import { nanoid } from "nanoid";
import Papa from "papaparse";
import { useId, useMemo, useState } from "react";
import { useRunWork } from "../run/RunContext.ts";
import { newLine } from "./newLine.ts";

/** Lines pasted from a spreadsheet: read at once, what can't be taken said by its row, nothing taken before the planner says so. */
export function PasteLines({ onDone }: { readonly onDone: () => void }) {
  const { draft, materials } = useRunWork();
  const { brief, change } = draft;
  const [text, setText] = useState("");
  const id = useId();
  const { lines, troubles } = useMemo(
    () => pastedLines(text.trim() === "" ? [] : Papa.parse<string[]>(text, { delimiter: text.includes("\t") ? "\t" : "" }).data, materials),
    [text, materials],
  );
  const take = (): void => {
    const added = lines.flatMap((pasted): BriefLine[] => {
      const material = materials.find((m: MaterialDoc) => m.id === pasted.materialId);
      if (!material) return [];
      const usual = newLine(nanoid(12), material, brief);
      return [
        {
          ...usual,
          amount: pasted.amount,
          per: pasted.per ?? usual.per,
          spoilRate: pasted.spoilRate ?? usual.spoilRate,
          standIn: pasted.standIn.words,
          standInRatio: pasted.standIn.ratio,
        },
      ];
    });
    change({ lines: [...brief.lines, ...added].slice(0, 40) }, `pasted ${added.length} lines`);
    onDone();
  };
  return (
    <div className="stack" role="group" aria-label="Paste lines">
      <label htmlFor={id}>
        Rows from a spreadsheet: material, amount, for whom, spoil rate, stand-in. A first row of headings may put them in another order.
      </label>
      <textarea
        id={id}
        className="plain-input"
        rows={6}
        value={text}
        placeholder={"Paper cup\t2\tbuilder\t4 %\tyoghurt pot"}
        onChange={(event) => setText(event.target.value)}
      />
      {troubles.length > 0 ? (
        <ul role="alert" className="trouble plain-list">
          {troubles.map(({ row, words }) => (
            <li key={row}>
              Row {row}: {words}
            </li>
          ))}
        </ul>
      ) : null}
      <div className="row">
        <Button disabled={lines.length === 0} onClick={take}>
          {lines.length === 0 ? "Take them" : `Take ${lines.length} ${lines.length === 1 ? "line" : "lines"}`}
        </Button>
        <Button type="text" size="small" onClick={onDone}>
          Not now
        </Button>
        {brief.lines.length + lines.length > 40 ? (
          <span className="soft small">A crate holds 40 lines: the last ones are left out.</span>
        ) : null}
      </div>
    </div>
  );
}
