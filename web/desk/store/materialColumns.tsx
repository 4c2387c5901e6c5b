import type { MaterialDoc, MaterialInput } from "@lampcrate/contract";
import { amountWords, readAmount, readPrice, type SeasonUse, showQuantity, type UnitChoice } from "@lampcrate/core";
import type { ColumnType } from "antd/es/table";
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
  const edit = (of: MaterialDoc, column: "pack" | "price", shown: string, onTake: (typed: string) => string | null) =>
    change ? <EditCell label={`${of.name}, ${column}`} column={column} shown={shown} onTake={onTake} /> : shown;
  const takePack = (of: MaterialDoc, typed: string): string | null => {
    const read = readAmount(typed, of.unit, units);
    if (!read.ok) return read.words;
    if (read.amount <= 0) return "A pack holds more than nothing.";
    patch(of, { packSize: read.amount });
    return null;
  };
  const takePrice = (of: MaterialDoc, typed: string): string | null => {
    const read = readPrice(typed);
    if (!read.ok) return read.words;
    patch(of, { packPriceCents: read.cents });
    return null;
  };
  const toggle = (of: MaterialDoc, what: Doing["what"], label: string) => {
    const here = open?.id === of.id && open.what === what;
    return (
      <Button type="text" size="small" aria-expanded={here} aria-label={label} onClick={() => setOpen(here ? null : { id: of.id, what })}>
        {here ? "close" : what}
      </Button>
    );
  };
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
        of.perWeek === null ? edit(of, "pack", amountWords(of.packSize, of.unit, units), (typed) => takePack(of, typed)) : "",
    },
    {
      title: "Costs",
      key: "costs",
      className: "number",
      width: 110,
      sorter: more(({ packPriceCents }) => packPriceCents),
      render: (_, of) =>
        of.perWeek === null ? (
          edit(of, "price", money(of.packPriceCents, currency), (typed) => takePrice(of, typed))
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
      render: (_, of) => (
        <>
          {toggle(of, "moves", `Moves of ${of.name}`)}
          {change ? toggle(of, "change", `Change ${of.name}`) : null}
        </>
      ),
    },
  ];
}

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
