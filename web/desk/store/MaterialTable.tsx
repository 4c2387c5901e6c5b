import type { MaterialDoc } from "@lampcrate/contract";
import { amountWords, type SeasonUse, showQuantity, type UnitChoice } from "@lampcrate/core";
import { type RefObject, useEffect, useRef, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { Button } from "../pieces/Button.tsx";
import { useMay } from "../pieces/Lock.tsx";
import { money } from "../pieces/show.ts";
import { useSeasonUse } from "../seasonData/useSeasonUse.ts";
import { MaterialForm } from "./MaterialForm.tsx";
import { Moves } from "./Moves.tsx";

interface MaterialTableProps {
  readonly materials: readonly MaterialDoc[];
  readonly currency: string;
  readonly units: UnitChoice;
  readonly onChanged: () => Promise<void>;
}

type Open = { readonly id: string; readonly what: "change" | "moves" } | null;

/** Every material with what is on hand and due, what the season takes of it, its pack, its sheet, and what to mind. */
export function MaterialTable({ materials, currency, units, onChanged }: MaterialTableProps) {
  // Whoever comes looking for one finds it open.
  const sought = useSearchParams()[0].get("material");
  const [opened, setOpened] = useState<{ readonly for: string | null; readonly open: Open } | null>(null);
  const open: Open = opened?.for === sought ? opened.open : sought === null ? null : { id: sought, what: "moves" };
  const setOpen = (next: Open): void => setOpened({ for: sought, open: next });
  const row = useRef<HTMLTableRowElement>(null);
  useEffect(() => {
    if (sought !== null) row.current?.scrollIntoView({ block: "center" });
  }, [sought]);
  const asked = useSeasonUse();
  return (
    <table className="trials stock">
      <thead>
        <tr>
          <th scope="col">Material</th>
          <th scope="col" className="number">
            On hand
          </th>
          <th scope="col" className="number">
            On its way
          </th>
          <th scope="col" className="number">
            Season takes
          </th>
          <th scope="col" className="number">
            A pack
          </th>
          <th scope="col" className="number">
            Costs
          </th>
          <th scope="col">Sheet</th>
          <th scope="col">Mind</th>
          <th scope="col">
            <span className="unseen">Change</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {materials.map((material) => (
          <Row
            key={material.id}
            material={material}
            found={material.id === sought ? row : null}
            asked={asked?.get(material.id) ?? null}
            currency={currency}
            units={units}
            open={open?.id === material.id ? open.what : null}
            onOpen={(what) => setOpen(what === null || (open?.id === material.id && open.what === what) ? null : { id: material.id, what })}
            onChanged={onChanged}
          />
        ))}
      </tbody>
    </table>
  );
}

interface RowProps {
  readonly material: MaterialDoc;
  /** Where this is the one that was looked for. */
  readonly found: RefObject<HTMLTableRowElement | null> | null;
  /** What the season takes of it; null when nothing, or while that is being reckoned. */
  readonly asked: SeasonUse | null;
  readonly currency: string;
  readonly units: UnitChoice;
  readonly open: "change" | "moves" | null;
  readonly onOpen: (what: "change" | "moves" | null) => void;
  readonly onChanged: () => Promise<void>;
}

function Row({ material, found, asked, currency, units, open, onOpen, onChanged }: RowProps) {
  const may = useMay();
  const { name, unit, onHand, perWeek } = material;
  const mind = [material.smallPart ? "small part" : "", material.latex ? "latex" : "", ...material.allergens].filter(Boolean).join(", ");
  const size =
    material.sheetWidthM !== null && material.sheetHeightM !== null
      ? `${showQuantity(material.sheetWidthM, "length", units)} × ${showQuantity(material.sheetHeightM, "length", units)}`
      : "";
  const toggle = (what: "change" | "moves", label: string) => (
    <Button type="text" size="small" aria-expanded={open === what} aria-label={label} onClick={() => onOpen(what)}>
      {open === what ? "close" : what}
    </Button>
  );
  return (
    <>
      <tr ref={found}>
        <th scope="row">{name}</th>
        <td className="number">
          {onHand < 0 ? (
            <span className="short">{`−${amountWords(-onHand, unit, units)}: count it`}</span>
          ) : (
            amountWords(onHand, unit, units)
          )}
        </td>
        <td className="number">{asked && asked.due > 0 ? amountWords(asked.due, unit, units) : ""}</td>
        <td className="number">
          {asked && asked.asked > 0 ? amountWords(asked.asked, unit, units) : ""}
          {asked && asked.short > 0 ? (
            <Link to="/buying" className="short-link">
              {amountWords(asked.short, unit, units)} short
            </Link>
          ) : null}
        </td>
        <td className="number">{perWeek === null ? amountWords(material.packSize, unit, units) : ""}</td>
        <td className="number">
          {perWeek === null ? (
            money(material.packPriceCents, currency)
          ) : (
            <span className="collected">collected, {amountWords(perWeek, unit, units)} a week</span>
          )}
        </td>
        <td>{size}</td>
        <td>{mind}</td>
        <td className="nowrap">
          {toggle("moves", `Moves of ${name}`)}
          {may("supply") ? toggle("change", `Change ${name}`) : null}
        </td>
      </tr>
      {open === null ? null : (
        <tr>
          <td colSpan={9}>
            {open === "moves" ? (
              <Moves material={material} units={units} onChanged={onChanged} />
            ) : (
              <MaterialForm
                start={material}
                of={material}
                units={units}
                onDone={async () => {
                  onOpen(null);
                  await onChanged();
                }}
                onLeave={() => onOpen(null)}
              />
            )}
          </td>
        </tr>
      )}
    </>
  );
}
