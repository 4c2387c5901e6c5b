import { type MaterialDoc, plainMaterial } from "@lampcrate/contract";
import { type KitLine, mostLines, pastedLines } from "@lampcrate/core";
import { Input } from "antd";
import { nanoid } from "nanoid";
import Papa from "papaparse";
import { useId, useMemo } from "react";
import { api, ask } from "../../../shared/client.ts";
import { useKeptState } from "../../../shared/useKeptState.ts";
import { Button } from "../../pieces/Button.tsx";
import { useMay } from "../../pieces/Lock.tsx";
import { RowTroubles, rowsOf } from "../../pieces/PastedRows.tsx";
import { useSave } from "../../pieces/useSave.ts";
import { materialsQuery } from "../../queries.ts";
import { useBriefWork, useCrateWork, useRunActions } from "../../work/RunContext.ts";
import { newLine } from "./newLine.ts";

/** Lines pasted from a spreadsheet: read at once, what can't be taken said by its row, nothing taken before the planner says so. */
export function PasteLines({ onDone }: { readonly onDone: () => void }) {
  const { run, brief } = useBriefWork();
  const { materials } = useCrateWork();
  const { change } = useRunActions();
  const [text, setText] = useKeptState(`paste-${run.id}`, "");
  const id = useId();
  const may = useMay();
  const { lines, troubles, unknown } = useMemo(
    () => pastedLines(rowsOf(text), materials, mostLines - brief.lines.length),
    [text, materials, brief.lines.length],
  );
  const adding = useSave({
    send: (material: (typeof unknown)[number]) => ask(api.materials.$post({ json: { ...plainMaterial, ...material } })),
    renew: [materialsQuery],
  });
  const take = (): void => {
    const added = lines.flatMap((pasted): KitLine[] => {
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
    change({ lines: [...brief.lines, ...added] }, `pasted ${added.length} lines`);
    // What could not be taken stays to be mended.
    if (troubles.length > 0) return setText(rowsLeft(text, troubles));
    setText(null);
    onDone();
  };
  return (
    <div className="stack" role="group" aria-label="Paste lines">
      <label htmlFor={id}>
        Rows from a spreadsheet: material, amount, for whom, spoil rate, stand-in. A first row of headings may put them in another order.
      </label>
      <Input.TextArea
        id={id}
        rows={6}
        value={text}
        placeholder={"Paper cup\t2\tbuilder\t4 %\tyoghurt pot"}
        onChange={(event) => setText(event.target.value)}
      />
      <RowTroubles troubles={troubles} />
      {may("supply") && unknown.length > 0 ? (
        <div className="row">
          {unknown.map((material) => (
            <Button key={material.name} loading={adding.pending} onClick={() => void adding.save(material)}>
              Add “{material.name}” to the store room
            </Button>
          ))}
          <span className="soft small">with nothing on hand; its pack and price can follow there</span>
        </div>
      ) : null}
      {adding.trouble ? (
        <p role="alert" className="trouble">
          {adding.trouble.message}
        </p>
      ) : null}
      <div className="row">
        <Button disabled={lines.length === 0} onClick={take}>
          {lines.length === 0 ? "Take them" : `Take ${lines.length} ${lines.length === 1 ? "line" : "lines"}`}
        </Button>
        <Button type="text" size="small" onClick={onDone}>
          Not now
        </Button>
      </div>
    </div>
  );
}

/** The pasted rows that could not be taken, under their headings if they have any. */
function rowsLeft(text: string, troubles: readonly { readonly row: number }[]): string {
  const bad = new Set(troubles.map(({ row }) => row - 1));
  const rows = rowsOf(text);
  const headed = rows[0]?.some((cell) => /^(material|name)$/i.test(cell.trim())) ?? false;
  return Papa.unparse(
    rows.filter((_, i) => bad.has(i) || (headed && i === 0)),
    { delimiter: "\t" },
  );
}
