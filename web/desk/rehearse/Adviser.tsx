import { type Advice, type DropIn, inHundred, type Target, usualPrices } from "@lampcrate/core";
import { Checkbox, InputNumber, Progress } from "antd";
import { useState } from "react";
import { askAdviser } from "../../shared/compute/rehearseDoor.ts";
import { useSearch } from "../../shared/compute/useSearch.ts";
import { Button } from "../pieces/Button.tsx";
import { useBriefWork } from "../work/RunContext.ts";

interface AdviserProps {
  readonly day: DropIn;
  readonly targets: readonly Target[];
  readonly onTargets: (targets: readonly Target[]) => void;
  readonly onTake: (room: Pick<DropIn, "seats" | "rigs" | "hosts">) => void;
}

const asks: readonly { readonly words: string; readonly usual: Target }[] = [
  { words: "wait at the rig", usual: { what: "rigWait", minutes: 5, atLeast: 0.9 } },
  { words: "wait for a seat", usual: { what: "seatWait", minutes: 5, atLeast: 0.9 } },
  { words: "wait to be welcomed", usual: { what: "hostWait", minutes: 4, atLeast: 0.9 } },
  { words: "turned away", usual: { what: "turnedAway", atMost: 0.05 } },
  { words: "not done at the stop", usual: { what: "unfinished", atMost: 0.02 } },
];

/** The least room that meets the planner's targets, searched in the background; it can be ended, and its answer taken over. */
export function Adviser({ day, targets, onTargets, onTake }: AdviserProps) {
  const { run, brief } = useBriefWork();
  const { step: part, trouble, start, stop } = useSearch<number, Advice>();
  const [advice, setAdvice] = useState<Advice | null>(null);
  const table = brief.seatsPerTable;
  const bounds = {
    seats: { from: table, to: table * 16, step: table },
    rigs: { from: 1, to: 8 },
    hosts: { from: 1, to: 5 },
  };
  const ask = (): void => {
    setAdvice(null);
    const asked = { day, bounds, prices: usualPrices, targets };
    start(0, (tell) => askAdviser(asked, run.id, tell), setAdvice);
  };
  const put = (target: Target): void => onTargets(targets.map((one) => (one.what === target.what ? target : one)));
  return (
    <section className="sheet pad stack" aria-label="Adviser">
      <h2>What is the least that will do?</h2>
      {asks.map(({ words, usual }) => {
        const held = targets.find(({ what }) => what === usual.what);
        const shown = held ?? usual;
        return (
          <div key={usual.what} className="row near">
            <Checkbox
              checked={held !== undefined}
              onChange={({ target }) => onTargets(target.checked ? [...targets, usual] : targets.filter(({ what }) => what !== usual.what))}
            >
              {"minutes" in usual ? `share that ${words} no longer than` : `${words} at most`}
            </Checkbox>
            {"minutes" in shown ? (
              <>
                <Small label={`${words}, minutes`} value={shown.minutes} off={!held} onChange={(minutes) => put({ ...shown, minutes })} />{" "}
                min:{" "}
                <Small
                  label={`${words}, per cent`}
                  value={100 * shown.atLeast}
                  off={!held}
                  onChange={(n) => put({ ...shown, atLeast: n / 100 })}
                />{" "}
                % at least
              </>
            ) : (
              <>
                <Small
                  label={`${words}, per cent`}
                  value={100 * shown.atMost}
                  off={!held}
                  onChange={(n) => put({ ...shown, atMost: n / 100 })}
                />{" "}
                %
              </>
            )}
          </div>
        );
      })}
      <div className="row">
        <Button type="primary" disabled={part !== null || targets.length === 0} onClick={ask}>
          Find it
        </Button>
        {part === null ? null : (
          <>
            <Progress className="box-l" percent={Math.round(100 * part)} size="small" />
            <Button onClick={stop}>Stop</Button>
          </>
        )}
        {targets.length === 0 ? <span className="soft small">Choose what you ask of the day first.</span> : null}
      </div>
      {trouble === null ? null : (
        <p role="alert" className="trouble">
          {trouble}
        </p>
      )}
      {advice ? <Answer advice={advice} targets={targets} onTake={onTake} /> : null}
      <p className="small soft">
        Tried: seats by tables of {table} up to {table * 16}, 1 to 8 rigs, 1 to 5 hosts, cheapest first; a seat counts 1, a rig 5, a host
        10.
      </p>
    </section>
  );
}

function Answer({ advice, targets, onTake }: { readonly advice: Advice } & Pick<AdviserProps, "targets" | "onTake">) {
  const values = advice.room ? advice.values : advice.nearest.values;
  const stands = targets.map((target, i) => {
    const words = asks.find(({ usual }) => usual.what === target.what)?.words ?? target.what;
    return "minutes" in target
      ? `${inHundred(values[i] ?? 0)} ${words} ${target.minutes} min or less`
      : `${inHundred(values[i] ?? 0)} ${words}`;
  });
  const said = ({ seats, rigs, hosts }: Pick<DropIn, "seats" | "rigs" | "hosts">): string =>
    `${seats} seats, ${rigs} ${rigs === 1 ? "rig" : "rigs"} and ${hosts} ${hosts === 1 ? "host" : "hosts"}`;
  if (advice.room) {
    const { room } = advice;
    return (
      <div className="plain-words stack near" role="status">
        <p>
          <strong>{said(room)} will do:</strong> {stands.join("; ")}.
        </p>
        <div>
          <Button onClick={() => onTake(room)}>Take it over</Button>
        </div>
      </div>
    );
  }
  const { nearest, helps } = advice;
  return (
    <div className="plain-words" role="status">
      <p>
        <strong>Nothing tried will do.</strong> Nearest come {said(nearest.room)}: {stands.join("; ")}.
      </p>
      {helps ? <p>What would help most: {helps.change}.</p> : null}
    </div>
  );
}

function Small({
  label,
  value,
  off,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  readonly off: boolean;
  readonly onChange: (value: number) => void;
}) {
  return (
    <InputNumber
      size="small"
      className="box-s"
      aria-label={label}
      min={0}
      max={100}
      precision={0}
      disabled={off}
      value={Math.round(value)}
      onChange={(next) => next !== null && onChange(next)}
    />
  );
}
