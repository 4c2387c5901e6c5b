import { InputNumber } from "antd";
import { useState } from "react";
import { Button } from "../pieces/Button.tsx";
import type { Floor } from "./useFloor.ts";

/** Parties of one to six come in at one tap; the last tap of this tablet may be taken back. */
export function PartyIn({ held: { floor, known, tap } }: { readonly held: Floor }) {
  const last = floor.lastBy[known.by];
  return (
    <section aria-label="Party in" className="floor-box">
      <h2>
        Party in{" "}
        <span className="soft">
          {floor.parties === 1 ? "1 party" : `${floor.parties} parties`}, {floor.heads} in all
        </span>
      </h2>
      <div className="party-keys">
        {[1, 2, 3, 4, 5, 6].map((heads) => (
          <Button
            key={heads}
            type="primary"
            className="party-key"
            aria-label={`Party of ${heads} in`}
            onClick={() => tap({ kind: "in", heads, number: (floor.numbered[known.by] ?? 0) + 1 })}
          >
            {heads}
          </Button>
        ))}
      </div>
      <Larger onIn={(heads) => tap({ kind: "in", heads, number: (floor.numbered[known.by] ?? 0) + 1 })} />
      <div className="row near">
        <Button className="floor-key" onClick={() => tap({ kind: "turned away", heads: 1 })}>
          Gone again{floor.turnedAway > 0 ? ` (${floor.turnedAway})` : ""}
        </Button>
        <Button className="floor-key" disabled={!last} onClick={() => last && tap({ kind: "undo", tap: last.id })}>
          Take back{last ? `: ${lastWords[last.body.kind]}` : ""}
        </Button>
      </div>
    </section>
  );
}

/** A class or a patrol: more than six at once. */
function Larger({ onIn }: { readonly onIn: (heads: number) => void }) {
  const [heads, setHeads] = useState<number | null>(null);
  return (
    <form
      className="row near larger"
      onSubmit={(event) => {
        event.preventDefault();
        if (heads === null) return;
        onIn(heads);
        setHeads(null);
      }}
    >
      <InputNumber
        aria-label="A larger party"
        placeholder="7 or more"
        size="large"
        min={1}
        max={60}
        precision={0}
        value={heads}
        onChange={setHeads}
      />
      <Button htmlType="submit" className="floor-key" disabled={heads === null}>
        In
      </Button>
    </form>
  );
}

const lastWords: Readonly<Record<string, string>> = {
  in: "party in",
  "turned away": "gone again",
  line: "to the line",
  rig: "to the rig",
  result: "result",
  again: "builds again",
  home: "went home",
  photo: "photo",
  "near miss": "near miss",
  "ran short": "ran short",
  note: "note",
  kits: "kits",
};
