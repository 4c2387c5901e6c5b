import type { MaterialDoc, MaterialInput } from "@lampcrate/contract";
import { amountWords, readAmount, readPrice, type SeasonUse, showQuantity, type UnitChoice } from "@lampcrate/core";
import type { ColumnType } from "antd/es/table";
import { memo } from "react";
import { Link } from "react-router";
import { Button } from "../pieces/Button.tsx";
import { EditCell } from "../pieces/EditCell.tsx";
import { money } from "../pieces/show.ts";

/** The material that is open, and what for. */
export interface Doing {
  readonly id: string;
  readonly what: "change" | "moves";
}

interface MaterialColumns {
  readonly asked: ReadonlyMap<string, SeasonUse> | null;
  readonly currency: string;
  readonly units: UnitChoice;
  readonly open: Doing | null;
  readonly setOpen: (next: Doing | null) => void;
  /** Whether this person may change materials. */
  readonly change: boolean;
  readonly patch: (of: MaterialDoc, patch: Partial<MaterialInput>) => void;
}

/** Columns of the store room; pack and price are changed in their cells. */
export function materialColumns({ asked, currency, units, open, setOpen, change, patch }: MaterialColumns): ColumnType<MaterialDoc>[] {
  const use = ({ id }: MaterialDoc): SeasonUse | null => asked?.get(id) ?? null;
  const more = (amount: (of: MaterialDoc) => number) => (a: MaterialDoc, b: MaterialDoc) => amount(a) - amount(b);
  return [
    { title: "Material", dataIndex: "name", rowScope: "row", width: 210, sorter: (a, b) => a.name.localeCompare(b.name) },
    {
      title: "On hand",
      key: "onHand",
      className: "number",
      width: 110,
      sorter: more(({ onHand }) => onHand),
      render: (_, { onHand, unit }) =>
        onHand < 0 ? <span className="short">{`−${amountWords(-onHand, unit, units)}: count it`}</span> : amountWords(onHand, unit, units),
    },
    {
      title: "On its way",
      key: "due",
      className: "number",
      width: 100,
      render: (_, of) => amountOrNone(use(of)?.due ?? 0, of, units),
    },
    {
      title: "Season takes",
      key: "asked",
      className: "number",
      width: 120,
      sorter: more((of) => use(of)?.short ?? 0),
      render: (_, of) => <SeasonTakes of={of} use={use(of)} units={units} />,
    },
    {
      title: "A pack",
      key: "pack",
      className: "number",
      width: 100,
      render: (_, of) =>
        of.perWeek === null ? (
          <NumberCell of={of} column="pack" shown={amountWords(of.packSize, of.unit, units)} change={change} units={units} patch={patch} />
        ) : (
          ""
        ),
    },
    {
      title: "Costs",
      key: "costs",
      className: "number",
      width: 110,
      sorter: more(({ packPriceCents }) => packPriceCents),
      render: (_, of) =>
        of.perWeek === null ? (
          <NumberCell of={of} column="price" shown={money(of.packPriceCents, currency)} change={change} units={units} patch={patch} />
        ) : (
          <span className="collected">collected, {amountWords(of.perWeek, of.unit, units)} a week</span>
        ),
    },
    { title: "Sheet", key: "sheet", width: 140, render: (_, of) => sheetWords(of, units) },
    { title: "Mind", key: "mind", width: 110, render: (_, of) => mindWords(of) },
    {
      title: <span className="unseen">Change</span>,
      key: "change",
      className: "nowrap",
      width: 130,
      render: (_, of) => <DoCell of={of} open={open?.id === of.id ? open.what : null} change={change} setOpen={setOpen} />,
    },
  ];
}

interface NumberCellProps extends Pick<MaterialColumns, "change" | "units" | "patch"> {
  readonly of: MaterialDoc;
  readonly column: "pack" | "price";
  readonly shown: string;
}

/** A number of a material that is changed where it stands. Cells rest while the long table scrolls under them. */
const NumberCell = memo(function NumberCell({ of, column, shown, change, units, patch }: NumberCellProps) {
  if (!change) return shown;
  const take = (typed: string): string | null => {
    const read = column === "pack" ? packTyped(typed, of, units) : priceTyped(typed);
    if (typeof read === "string") return read;
    patch(of, read);
    return null;
  };
  return <EditCell label={`${of.name}, ${column}`} column={column} shown={shown} onTake={take} />;
});

/** What was typed as a pack, or why it is none. */
function packTyped(typed: string, { unit }: MaterialDoc, units: UnitChoice): Partial<MaterialInput> | string {
  const read = readAmount(typed, unit, units);
  if (!read.ok) return read.words;
  return read.amount <= 0 ? "A pack holds more than nothing." : { packSize: read.amount };
}

/** What was typed as a price, or why it is none. */
function priceTyped(typed: string): Partial<MaterialInput> | string {
  const read = readPrice(typed);
  return read.ok ? { packPriceCents: read.cents } : read.words;
}

interface DoCellProps extends Pick<MaterialColumns, "change" | "setOpen"> {
  readonly of: MaterialDoc;
  readonly open: Doing["what"] | null;
}

/** Opens what can be looked at or changed of a material. */
const DoCell = memo(function DoCell({ of, open, change, setOpen }: DoCellProps) {
  const opens: readonly Doing["what"][] = change ? ["moves", "change"] : ["moves"];
  return opens.map((what) => (
    <Button
      key={what}
      type="text"
      size="small"
      aria-expanded={open === what}
      aria-label={what === "moves" ? `Moves of ${of.name}` : `Change ${of.name}`}
      onClick={() => setOpen(open === what ? null : { id: of.id, what })}
    >
      {open === what ? "close" : what}
    </Button>
  ));
});

const amountOrNone = (amount: number, { unit }: MaterialDoc, units: UnitChoice): string =>
  amount > 0 ? amountWords(amount, unit, units) : "";

function SeasonTakes({ of, use, units }: { readonly of: MaterialDoc; readonly use: SeasonUse | null; readonly units: UnitChoice }) {
  return (
    <>
      {amountOrNone(use?.asked ?? 0, of, units)}
      {use && use.short > 0 ? (
        <Link to="/buying" className="short-link">
          {amountWords(use.short, of.unit, units)} short
        </Link>
      ) : null}
    </>
  );
}

function sheetWords({ sheetWidthM, sheetHeightM }: MaterialDoc, units: UnitChoice): string {
  if (sheetWidthM === null || sheetHeightM === null) return "";
  return `${showQuantity(sheetWidthM, "length", units)} × ${showQuantity(sheetHeightM, "length", units)}`;
}

const mindWords = ({ smallPart, latex, allergens }: MaterialDoc): string =>
  [smallPart ? "small part" : "", latex ? "latex" : "", ...allergens].filter(Boolean).join(", ");
