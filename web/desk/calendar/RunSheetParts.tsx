import { arrayMove } from "@dnd-kit/sortable";
import { clockAfter, type RunSheet, type SheetPart, usualParts } from "@lampcrate/core";
import { Checkbox } from "antd";
import { nanoid } from "nanoid";
import { useRef, useState } from "react";
import { Button } from "../pieces/Button.tsx";
import { CellBox } from "../pieces/CellBox.tsx";
import { DataTable } from "../pieces/DataTable.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { Handle, SortableRow } from "../pieces/SortableRow.tsx";
import { SortableRows } from "../pieces/SortableRows.tsx";
import { useBriefWork } from "../work/RunContext.ts";
import { useRunSettings } from "../work/useRunSettings.ts";

interface RunSheetPartsProps {
  /** The parts as they are in the chosen session. */
  readonly sheet: RunSheet;
  readonly starts: string;
}

/** A run's parts to be changed: in which order, how long, which keep their minutes, what to say. Each change is saved and can be undone. */
export function RunSheetParts({ sheet, starts }: RunSheetPartsProps) {
  const { run, brief } = useBriefWork();
  const { change, trouble } = useRunSettings();
  // As changed here, until the server has the last of it: the next change goes over it, not over what was there before.
  const [typed, setTyped] = useState<{ readonly sheet: readonly SheetPart[] | null } | null>(null);
  const newest = useRef(typed);
  const parts = (typed ? typed.sheet : run.sheet) ?? usualParts(run.kind, brief);
  const save = (sheet: readonly SheetPart[] | null): void => {
    const mine = { sheet };
    newest.current = mine;
    setTyped(mine);
    void change(mine).then((taken) => taken && newest.current === mine && setTyped(null));
  };
  const set = (part: SheetPart, patch: Partial<SheetPart>): void =>
    save(parts.map((one) => (one.id === part.id ? { ...one, ...patch } : one)));
  const timed = new Map(sheet.ok ? sheet.parts.map((part) => [part.id, part]) : []);
  const hereWords = ({ id }: SheetPart): string => {
    const here = timed.get(id);
    return here ? `${clockAfter(starts, here.from)},\u00a0${here.minutes}\u00a0min` : "";
  };
  return (
    <>
      <SortableRows ids={parts.map(({ id }) => id)} onMove={(from, to) => save(arrayMove([...parts], from, to))}>
        <DataTable
          label="Parts to change"
          rowKey="id"
          rows={parts}
          rowAs={SortableRow}
          onRow={(part) => ({ "aria-label": part.words })}
          columns={[
            { title: <span className="unseen">Move</span>, key: "move", render: (_, { words }) => <Handle name={words} /> },
            {
              title: "Part",
              key: "words",
              render: (_, part) => (
                <CellBox
                  label={`Name of ${part.words}`}
                  column="words"
                  letters={22}
                  shown={part.words}
                  onTake={(typed) => {
                    const words = typed.trim();
                    if (words === "" || words.length > 60) return "Type a name of at most 60 letters.";
                    set(part, { words });
                    return null;
                  }}
                />
              ),
            },
            {
              title: "Minutes",
              key: "minutes",
              className: "number",
              render: (_, part) => (
                <CellBox
                  label={`Minutes of ${part.words}`}
                  column="minutes"
                  shown={String(part.minutes)}
                  onTake={(typed) => {
                    const minutes = Number(typed);
                    if (!Number.isInteger(minutes) || minutes < 1 || minutes > 600) return "Type whole minutes from 1 to 600.";
                    set(part, { minutes });
                    return null;
                  }}
                />
              ),
            },
            {
              title: "Keeps them",
              key: "keeps",
              render: (_, part) => (
                <Checkbox
                  aria-label={`${part.words} keeps its minutes`}
                  checked={part.keeps}
                  onChange={({ target }) => set(part, { keeps: target.checked })}
                />
              ),
            },
            {
              title: "What to say or do",
              key: "say",
              render: (_, part) => (
                <CellBox
                  label={`What to say or do at ${part.words}`}
                  column="say"
                  letters={24}
                  shown={part.say}
                  onTake={(typed) => {
                    if (typed.trim().length > 300) return "At most 300 letters: the rest belongs in the brief.";
                    set(part, { say: typed.trim() });
                    return null;
                  }}
                />
              ),
            },
            { title: "In this session", key: "here", className: "number", render: (_, part) => hereWords(part) },
            {
              title: <span className="unseen">Remove</span>,
              key: "remove",
              render: (_, part) => (
                <Button
                  type="text"
                  size="small"
                  disabled={parts.length === 1}
                  aria-label={`Remove ${part.words}`}
                  onClick={() => save(parts.filter(({ id }) => id !== part.id))}
                >
                  remove
                </Button>
              ),
            },
          ]}
        />
      </SortableRows>
      <Refused trouble={trouble} />
      <div className="row">
        <Button
          disabled={parts.length >= 30}
          onClick={() => save([...parts, { id: nanoid(12), words: "Another part", minutes: 10, keeps: false, say: "" }])}
        >
          Add a part
        </Button>
        {run.sheet === null ? null : <Button onClick={() => save(null)}>As is usual again</Button>}
      </div>
    </>
  );
}
