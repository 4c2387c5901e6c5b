import type { MaterialDoc, StockCountInput } from "@lampcrate/contract";
import { InputNumber } from "antd";
import { api, ask } from "../../shared/client.ts";
import { useKeptState } from "../../shared/useKeptState.ts";
import { Button } from "../pieces/Button.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { shownPer, unitWord } from "../pieces/show.ts";
import { useSave } from "../pieces/useSave.ts";
import { Uncounted } from "./Uncounted.tsx";

interface CountDayProps {
  readonly materials: readonly MaterialDoc[];
  /** Only these are counted; null for all. */
  readonly only: ReadonlySet<string> | null;
  readonly onDone: () => Promise<void>;
  readonly onLeave: () => void;
}

interface Counting {
  /** What the list said when counting began. */
  readonly listed: Readonly<Record<string, number>>;
  readonly counted: Readonly<Record<string, number>>;
}

const listedIn = (materials: readonly MaterialDoc[]): Counting["listed"] => Object.fromEntries(materials.map((m) => [m.id, m.onHand]));

const shown = (counted: number | undefined, { unit }: MaterialDoc): number | null =>
  counted === undefined ? null : counted / shownPer(unit);

/** A count of what is really on the shelves; only what was counted is booked, and what is typed is kept until then. */
export function CountDay({ materials: all, only, onDone, onLeave }: CountDayProps) {
  const [counting, setCounting] = useKeptState<Counting>("count-day", { listed: listedIn(all), counted: {} });
  // What has been counted already stays on the list, whatever was ticked since.
  const materials = only === null ? all : all.filter(({ id }) => only.has(id) || counting.counted[id] !== undefined);
  const done = materials.filter((m) => counting.counted[m.id] !== undefined);
  const different = done.filter((m) => counting.counted[m.id] !== (counting.listed[m.id] ?? 0));
  const { save, trouble } = useSave({
    send: (counts: StockCountInput["counts"]) => ask(api.stock.count.$post({ json: { counts } })),
    onSaved: () => {
      setCounting(null);
      void onDone();
    },
    // What was typed stays; it is held against what is listed now.
    onStale: async () => setCounting({ ...counting, listed: listedIn(await ask(api.materials.$get())) }),
  });
  const book = () =>
    save(done.map((m) => ({ materialId: m.id, counted: counting.counted[m.id] ?? 0, listed: counting.listed[m.id] ?? 0 })));
  return (
    <section className="sheet pad stack" aria-label="Count day">
      <h2>Count day</h2>
      <p className="soft small">
        {materials.length < all.length ? `${materials.length} of ${all.length} materials: those ticked or counted before. ` : ""}Type what
        lies there; leave empty what you did not count. Tab goes down the list. Print this page for a list to carry.
      </p>
      <Uncounted />
      <div className="count-grid">
        {materials.map((material) => (
          <label key={material.id}>
            <span>{material.name}</span>
            <span className="soft small">
              listed {(counting.listed[material.id] ?? 0) / shownPer(material.unit)} {unitWord(material.unit)}
            </span>
            <InputNumber
              min={0}
              aria-label={`${material.name}, counted`}
              suffix={unitWord(material.unit) || undefined}
              className="wide"
              value={shown(counting.counted[material.id], material)}
              onChange={(value) => {
                const { [material.id]: _, ...rest } = counting.counted;
                setCounting({ ...counting, counted: value === null ? rest : { ...rest, [material.id]: value * shownPer(material.unit) } });
              }}
            />
          </label>
        ))}
      </div>
      <Refused trouble={trouble} />
      <div className="row">
        <Button disabled={done.length === 0} onClick={() => void book()}>
          Book {done.length} counted, {different.length} different
        </Button>
        <Button type="text" size="small" onClick={() => window.print()}>
          print the list
        </Button>
        <Button
          type="text"
          size="small"
          onClick={() => {
            setCounting(null);
            onLeave();
          }}
        >
          leave it
        </Button>
      </div>
    </section>
  );
}
