import { kitsAhead } from "@lampcrate/core";
import { InputNumber } from "antd";
import { useState } from "react";
import { clockOf } from "../calendar/clockOf.ts";
import { Button } from "../pieces/Button.tsx";
import type { Floor } from "./useFloor.ts";

/** Kits left, against the forecast, and when none will be left at this pace. */
export function Kits({ held: { floor, forecast, doc, now, tap } }: { readonly held: Floor }) {
  const { left, expected, wanted, outAt } = kitsAhead(floor, forecast, now);
  const start = floor.kitsAtStart ?? Math.round(forecast.kits);
  const ahead = floor.kitsUsed - Math.round(expected);
  const part = (n: number): string => `${Math.min(100, (100 * n) / Math.max(1, start))}%`;
  return (
    <section aria-label="Kits" className="floor-box">
      <h2>
        Kits <strong>{left} left</strong> <span className="soft">of {start}</span>
      </h2>
      <div className="kit-bar" aria-hidden="true">
        <span className="used" style={{ width: part(floor.kitsUsed) }} />
        <span className="expected" style={{ left: part(expected) }} />
      </div>
      <p className={outAt === null ? "" : "kits-out"}>
        {outAt === null
          ? `They last: about ${Math.round(wanted)} more wanted until closing.`
          : left === 0
            ? "None is left."
            : `None left at about ${clockOf(outAt, doc.session.zone)}, at this pace.`}
      </p>
      <p className="soft small">
        {floor.kitsUsed} used, {Math.round(expected)} expected by now
        {ahead === 0 ? "" : `: ${Math.abs(ahead)} ${ahead > 0 ? "more" : "fewer"}`}
      </p>
      <AtStart start={start} onSay={(count) => tap({ kind: "kits", count })} />
    </section>
  );
}

function AtStart({ start, onSay }: { readonly start: number; readonly onSay: (count: number) => void }) {
  const [typed, setTyped] = useState<number | null>(null);
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <Button type="text" onClick={() => setOpen(true)}>
        change how many there were
      </Button>
    );
  return (
    <form
      className="row near"
      onSubmit={(event) => {
        event.preventDefault();
        onSay(typed ?? start);
        setOpen(false);
      }}
    >
      <InputNumber
        aria-label="Kits at the start"
        size="large"
        min={0}
        max={5000}
        precision={0}
        value={typed ?? start}
        onChange={setTyped}
        autoFocus
      />
      <Button htmlType="submit">Keep it</Button>
    </form>
  );
}
