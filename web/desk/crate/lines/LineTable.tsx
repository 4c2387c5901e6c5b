import { arrayMove } from "@dnd-kit/sortable";
import type { BriefDoc, MaterialDoc } from "@lampcrate/contract";
import { type KitLine, typedOver, type UnitChoice } from "@lampcrate/core";
import { nanoid } from "nanoid";
import { memo, useId, useState } from "react";
import { Link } from "react-router";
import { Button } from "../../pieces/Button.tsx";
import { Choose } from "../../pieces/Choose.tsx";
import { DataTable } from "../../pieces/DataTable.tsx";
import { FocusIn } from "../../pieces/FocusIn.tsx";
import { SortableRow } from "../../pieces/SortableRow.tsx";
import { SortableRows } from "../../pieces/SortableRows.tsx";
import { useBriefWork, useCrateWork, useRunActions } from "../../work/RunContext.ts";
import type { DraftActions } from "../../work/useBriefDraft.ts";
import { LineForm } from "./LineForm.tsx";
import { lineColumns } from "./lineColumns.tsx";
import { newLine } from "./newLine.ts";
import { PasteLines } from "./PasteLines.tsx";

/** What a kit is made of, line by line. */
export function LineTable() {
  const { run, brief } = useBriefWork();
  const { materials } = useCrateWork();
  const { change } = useRunActions();
  const { lines, buildBy, shareAtOnce } = brief;
  return <Lines lines={lines} buildBy={buildBy} shareAtOnce={shareAtOnce} materials={materials} units={run.units} change={change} />;
}

interface LinesProps extends Pick<BriefDoc, "lines" | "buildBy" | "shareAtOnce"> {
  readonly materials: readonly MaterialDoc[];
  readonly units: UnitChoice;
  readonly change: DraftActions["change"];
}

/** Painted anew only when the lines themselves have changed, not with every dial of the brief. */
const Lines = memo(function Lines({ lines, buildBy, shareAtOnce, materials, units, change }: LinesProps) {
  const [editing, setEditing] = useState<string | null>(null);
  const [pasting, setPasting] = useState(false);
  const choose = useId();
  const add = (materialId: string): void => {
    const material = materials.find((m) => m.id === materialId);
    if (!material) return;
    const line = newLine(nanoid(12), material, { buildBy, shareAtOnce });
    change({ lines: [...lines, line] }, `added ${material.name}`);
    setEditing(line.id);
  };
  const materialOf = (line: KitLine): MaterialDoc | undefined => materials.find((m) => m.id === line.materialId);
  const nameOf = (line: KitLine): string => materialOf(line)?.name ?? "gone from the store room";
  const changeLine = (line: KitLine, patch: Partial<KitLine>, words: string): void =>
    change({ lines: lines.map((l) => (l.id === line.id ? typedOver(l, patch) : l)) }, `${nameOf(line)}: ${words}`);
  const move = (from: number, to: number): void => {
    const name = materials.find((m) => m.id === lines[from]?.materialId)?.name ?? "a line";
    change({ lines: arrayMove([...lines], from, to) }, `moved ${name}`);
  };
  return (
    <section className="sheet pad stack" aria-label="Lines">
      <h2>What a kit takes</h2>
      {materials.length === 0 ? (
        <p>
          The store room is empty. <Link to="/store">Add a material</Link> first.
        </p>
      ) : null}
      {lines.length === 0 ? null : (
        <SortableRows ids={lines.map((line) => line.id)} onMove={move}>
          <DataTable
            label="What a kit takes, line by line"
            rowKey="id"
            rows={lines}
            rowAs={SortableRow}
            onRow={(line) => ({ "aria-label": nameOf(line) })}
            columns={lineColumns({ nameOf, materialOf, units, editing, setEditing, onChange: changeLine })}
            expandable={{
              expandedRowKeys: editing === null ? [] : [editing],
              showExpandColumn: false,
              expandedRowRender: (line) => (
                <FocusIn>
                  <LineForm
                    line={line}
                    material={materialOf(line)}
                    units={units}
                    onChange={(patch, words) => changeLine(line, patch, words)}
                    onRemove={() => change({ lines: lines.filter((l) => l.id !== line.id) }, `took ${nameOf(line)} out`)}
                  />
                </FocusIn>
              ),
            }}
          />
        </SortableRows>
      )}
      <div className="row">
        <label htmlFor={choose}>Add a line</label>
        <Choose
          id={choose}
          label="Add a line"
          width={260}
          value={null}
          placeholder="choose a material …"
          options={materials.filter((material) => !material.archived).map((material) => ({ value: material.id, label: material.name }))}
          onChoose={add}
        />
        <Button onClick={() => setPasting(true)}>Paste from a spreadsheet</Button>
        <Link to="/store" className="small">
          not in the list? store room
        </Link>
      </div>
      {pasting ? <PasteLines onDone={() => setPasting(false)} /> : null}
    </section>
  );
});
