import type { AsOneInput, BuyingDoc } from "@lampcrate/contract";
import { type Pooled, pooledLevels, showNumber } from "@lampcrate/core";
import { Radio } from "antd";
import { useState } from "react";
import { api, ask } from "../../shared/client.ts";
import { Choose } from "../pieces/Choose.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { money } from "../pieces/show.ts";
import { useSave } from "../pieces/useSave.ts";
import { buyingQuery } from "../queries.ts";
import { useCertainty } from "../seasonData/useSeasonCrates.ts";
import type { Names } from "./names.ts";

interface HowSureProps {
  readonly doc: BuyingDoc;
  /** Crates still to come. */
  readonly count: number;
  readonly names: Names;
}

const usualLevel = 0.95;
const percent = (share: number): string => `${showNumber(100 * share, share > 0.99 ? 1 : 0)} %`;

/** How sure the season is as a whole, and whether each crate is bought for by itself or all of them as one. */
export function HowSure({ doc, count, names }: HowSureProps) {
  const { certainty } = useCertainty(doc, count > 1);
  const { save, trouble, pending } = useSave({
    send: (input: AsOneInput) => ask(api.buying["as-one"].$put({ json: input })),
    renew: [buyingQuery],
  });
  const [wanted, setWanted] = useState<number | null>(null);
  // What was pressed shows at once; what is saved, once it is.
  const asOne = pending ? wanted : doc.asOne;
  const choose = (next: number | null): void => {
    setWanted(next);
    void save({ asOne: next });
  };
  const level = asOne ?? usualLevel;
  const pooled = certainty?.pooled.find((one) => one.level === level);
  const worth = worthOf(doc, pooled);
  if (count < 2) return null;
  return (
    <section className="sheet pad stack near" aria-label="How sure the season is">
      <p>
        Each of the {count} crates is sized for its own certainty. That none of them runs out of anything:{" "}
        <strong>{certainty ? percent(certainty.sure) : "reckoning …"}</strong>
        {certainty ? "." : ""}{" "}
        <span className="soft">
          For {percent(usualLevel)} each would have to be {percent(usualLevel ** (1 / count))} sure.
        </span>
      </p>
      <Radio.Group
        className="stack near"
        aria-label="Bought for"
        value={asOne !== null}
        onChange={({ target }) => choose(target.value === true ? level : null)}
      >
        <Radio value={false}>Buy for each crate by itself</Radio>
        <Radio value={true}>
          Buy for the season as one: what earlier crates leave over is packed again
          {worth > 0 ? `, worth ${money(worth, doc.house.currency)}` : ""}
        </Radio>
      </Radio.Group>
      {asOne === null ? null : (
        <p className="row small as-one">
          <Choose
            label="How sure as one"
            width={90}
            value={String(level)}
            options={pooledLevels.map((value) => ({ value: String(value), label: percent(value) }))}
            onChoose={(chosen) => choose(Number(chosen))}
          />{" "}
          sure that every crate can still be packed in full. Count what comes back after each session, or it can't be packed again.
        </p>
      )}
      {asOne === null || !pooled?.cutTogether.length ? null : <CutInOneGo cut={pooled.cutTogether} names={names} />}
      <Refused trouble={trouble} />
    </section>
  );
}

interface CutInOneGoProps {
  readonly cut: Pooled["cutTogether"];
  readonly names: Names;
}

/** Sheets of which several sizes are cut for the whole season together. */
function CutInOneGo({ cut, names }: CutInOneGoProps) {
  const list = cut.map(
    ({ material, sheets, apart }) =>
      `${names.material(material)}, ${names.amount(material, sheets)} instead of ${names.amount(material, apart)}`,
  );
  return (
    <p className="small soft as-one">
      All sizes of a sheet are cut from it in one go, and what is over is kept for later crates: {list.join("; ")}.
    </p>
  );
}

/** What is packed again would cost so much to buy, cents. */
function worthOf({ materials }: BuyingDoc, of: Pooled | undefined): number {
  const prices = new Map(materials.map(({ id, packPriceCents, packSize }) => [id, packPriceCents / packSize]));
  const amounts = Object.values(of?.packedAgain ?? {}).flatMap((again) => Object.entries(again));
  return Math.round(amounts.reduce((sum, [id, amount]) => sum + amount * (prices.get(id) ?? 0), 0));
}
