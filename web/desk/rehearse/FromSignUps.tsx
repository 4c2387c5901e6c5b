import { type DropIn, dayFromSignUps, readSignUps } from "@lampcrate/core";
import { Input, InputNumber } from "antd";
import { useId, useMemo, useState } from "react";
import { useKeptState } from "../../shared/useKeptState.ts";
import { Button } from "../pieces/Button.tsx";
import { Labelled } from "../pieces/Labelled.tsx";
import { RowTroubles, rowsOf } from "../pieces/PastedRows.tsx";

interface FromSignUpsProps {
  readonly day: DropIn;
  /** When the doors open, "10:00". */
  readonly opens: string;
  readonly keptAs: string;
  readonly onTake: (patch: Partial<DropIn>) => void;
  readonly onDone: () => void;
}

/** Sign-ups pasted from a list: read at once, what can't be taken said by its row; they make profile, sizes and parties. */
export function FromSignUps({ day, opens, keptAs, onTake, onDone }: FromSignUpsProps) {
  const id = useId();
  const [text, setText] = useKeptState(keptAs, "");
  const [show, setShow] = useState(85);
  const [walkIns, setWalkIns] = useState(0);
  const { parties, troubles } = useMemo(() => readSignUps(rowsOf(text.trim()), opens, day.lastEntryMin), [text, opens, day.lastEntryMin]);
  const builders = parties.reduce((sum, { heads }) => sum + heads, 0);
  const take = (): void => {
    onTake(dayFromSignUps(parties, { showRate: show / 100, walkIns }, day));
    setText(null);
    onDone();
  };
  return (
    <div className="stack" role="group" aria-label="From sign-ups">
      <label htmlFor={id}>A party a row: its time and how many build. A first row of headings may stand over them.</label>
      <Input.TextArea id={id} rows={5} value={text} placeholder={"10:15\t3\n10:30\t2"} onChange={(event) => setText(event.target.value)} />
      <RowTroubles troubles={troubles} most={8} />
      <div className="row feet">
        <Labelled label="Of them come, %">
          <InputNumber className="box-s" min={0} max={100} precision={0} value={show} onChange={(next) => next !== null && setShow(next)} />
        </Labelled>
        <Labelled label="Parties without sign-up">
          <InputNumber
            className="box-s"
            min={0}
            max={2000}
            precision={0}
            value={walkIns}
            onChange={(next) => next !== null && setWalkIns(next)}
          />
        </Labelled>
        <Button disabled={parties.length === 0} onClick={take}>
          {parties.length === 0 ? "Take them" : `Take ${parties.length} parties, ${builders} builders`}
        </Button>
        <Button type="text" size="small" onClick={onDone}>
          Not now
        </Button>
      </div>
    </div>
  );
}
