import type { MaterialDoc } from "@lampcrate/contract";
import type { SeasonUse, UnitChoice } from "@lampcrate/core";
import { Checkbox } from "antd";
import { useEffect, useMemo, useState } from "react";
import { useSearchParams } from "react-router";
import { Button } from "../pieces/Button.tsx";
import { DataTable } from "../pieces/DataTable.tsx";
import { FocusIn } from "../pieces/FocusIn.tsx";
import { useMay } from "../pieces/Lock.tsx";
import { SearchBox } from "../pieces/SearchBox.tsx";
import { useSeasonUse } from "../seasonData/useSeasonUse.ts";
import { MaterialForm } from "./MaterialForm.tsx";
import { Moves } from "./Moves.tsx";
import { type Doing, materialColumns } from "./materialColumns.tsx";
import { useMaterialPatch } from "./useMaterialPatch.ts";

interface MaterialTableProps {
  readonly materials: readonly MaterialDoc[];
  readonly currency: string;
  readonly units: UnitChoice;
  readonly onChanged: () => Promise<void>;
  /** Counts those that were ticked. */
  readonly onCount: (ticked: ReadonlySet<string>) => void;
}

/** Rows beyond this are drawn only while they are in sight. */
const mostDrawn = 120;

/** Every material with what is on hand and due, what the season takes of it, its pack, its sheet, and what to mind; what runs short stands first. */
export function MaterialTable({ materials, currency, units, onChanged, onCount }: MaterialTableProps) {
  // Whoever comes looking for one finds it open.
  const sought = useSearchParams()[0].get("material");
  const [opened, setOpened] = useState<{ readonly for: string | null; readonly open: Doing | null } | null>(null);
  const open = opened?.for === sought ? opened.open : sought === null ? null : ({ id: sought, what: "moves" } as const);
  const setOpen = (next: Doing | null): void => setOpened({ for: sought, open: next });
  useEffect(() => {
    if (sought !== null) document.querySelector(`[data-row-key="${CSS.escape(sought)}"]`)?.scrollIntoView({ block: "center" });
  }, [sought]);
  const asked = useSeasonUse();
  const [find, setFind] = useState("");
  const [onlyShort, setOnlyShort] = useState(false);
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const may = useMay();
  const { patch, trouble } = useMaterialPatch(onChanged);
  const rows = useMemo(() => lowFirst(materials, asked), [materials, asked]);
  const short = rows.filter((material) => isLow(material, asked)).length;
  const shown = rows.filter((material) => isNamed(material, find) && (!onlyShort || isLow(material, asked)));
  return (
    <div className="stack">
      <div className="row">
        <SearchBox className="find-material" label="Find a material" placeholder="find a material" value={find} onFind={setFind} />
        <Checkbox checked={onlyShort} disabled={short === 0} onChange={(event) => setOnlyShort(event.target.checked)}>
          only what runs short, {short}
        </Checkbox>
        <span className="soft small" role="status">
          {shown.length === rows.length ? `${rows.length} materials` : `${shown.length} of ${rows.length} materials`}
        </span>
        {ticked.length === 0 ? null : (
          <Button
            size="small"
            onClick={() => {
              onCount(new Set(ticked));
              setTicked([]);
            }}
          >
            Count these {ticked.length}
          </Button>
        )}
      </div>
      {trouble === null ? null : (
        <p role="alert" className="trouble">
          {trouble.message}
        </p>
      )}
      {shown.length === 0 ? (
        <p className="soft">Nothing here is called that. Look for another word, or add it above.</p>
      ) : (
        <DataTable
          label="Materials"
          rowKey="id"
          rows={shown}
          {...(shown.length > mostDrawn ? { virtual: { height: 560, width: 1120 } } : {})}
          columns={materialColumns({ asked, currency, units, open, setOpen, change: may("supply"), patch })}
          ticks={may("count") ? { ticked, onTick: setTicked, nameOf: ({ name }) => name } : undefined}
          expandable={{
            expandedRowKeys: open === null ? [] : [open.id],
            showExpandColumn: false,
            expandedRowRender: (material) =>
              open?.what === "change" ? (
                <FocusIn>
                  <MaterialForm
                    start={material}
                    of={material}
                    units={units}
                    onDone={async () => {
                      setOpen(null);
                      await onChanged();
                    }}
                    onLeave={() => setOpen(null)}
                  />
                </FocusIn>
              ) : (
                <Moves material={material} units={units} onChanged={onChanged} />
              ),
          }}
        />
      )}
    </div>
  );
}

type Asked = ReadonlyMap<string, SeasonUse> | null;

const isNamed = ({ name }: MaterialDoc, find: string): boolean => name.toLowerCase().includes(find.trim().toLowerCase());

/** Some crate of the season lacks it, or the list says there is less than none. */
function isLow({ id, onHand }: MaterialDoc, asked: Asked): boolean {
  return onHand < 0 || (asked?.get(id)?.short ?? 0) > 0;
}

/** What runs short first, each by its name. */
function lowFirst(materials: readonly MaterialDoc[], asked: Asked): readonly MaterialDoc[] {
  return [...materials].sort((a, b) => Number(isLow(b, asked)) - Number(isLow(a, asked)) || a.name.localeCompare(b.name));
}
