import type { HouseDoc } from "@lampcrate/contract";
import type { Pin, ToldClash } from "@lampcrate/core";
import { ClashList } from "../houseCalendar/ClashList.tsx";
import { Button } from "../pieces/Button.tsx";
import { Impossible } from "./Impossible.tsx";
import { LetGo } from "./LetGo.tsx";
import { PlanTable } from "./PlanTable.tsx";
import { SlotMap } from "./SlotMap.tsx";
import { type Answer, plannedOf } from "./usePlacing.ts";

interface AnsweredProps {
  readonly answer: Answer;
  readonly house: HouseDoc;
  readonly clashes: readonly ToldClash[];
  readonly pins: readonly Pin[];
  readonly onPins: (pins: readonly Pin[]) => void;
  readonly onLetGo: (ids: readonly string[], isGiven: boolean) => void;
  readonly onAgain: () => void;
  readonly pending: boolean;
  readonly onTakeOver: () => void;
  readonly onForget: () => void;
}

/** A plan, to be pinned in parts, solved again and taken over; or what must give. */
export function Answered(props: AnsweredProps) {
  const { answer, house, clashes, pins, onPins, onLetGo, onAgain, pending, onTakeOver, onForget } = props;
  const { placement, of, given } = answer;
  const planned = plannedOf(answer);
  const isPinned = JSON.stringify(pins) !== JSON.stringify(answer.pins);
  const letGo = <LetGo demands={of.demands.filter(({ demand }) => given.includes(demand.id))} onBack={(id) => onLetGo([id], false)} />;
  if (!placement.possible)
    return (
      <>
        <Impossible placement={placement} demands={of.demands} onLetGo={(ids) => onLetGo(ids, true)} />
        {letGo}
      </>
    );
  const runs = [...new Set(of.sessions.map(({ wanted }) => wanted.runId))];
  const shadeOf = (session: string): number => runs.indexOf(of.sessions.find(({ id }) => id === session)?.wanted.runId ?? "") % shades;
  const wished = of.placing.wishes.length;
  return (
    <section className="sheet pad stack" aria-label="Plan">
      <h2>{planned.length === 1 ? "1 session placed" : `${planned.length} sessions placed`}</h2>
      <p>
        {proofWords(placement.proven, wished)}
        {wished > 0 ? ` ${placement.wishes} of ${wished} wishes are met.` : ""}
      </p>
      <SlotMap answer={answer} shadeOf={shadeOf} house={house} />
      <PlanTable planned={planned} shadeOf={shadeOf} house={house} pins={pins} onPins={onPins} />
      {clashes.length > 0 ? (
        <>
          <h3>{clashes.length === 1 ? "1 thing to see to" : `${clashes.length} things to see to`} when it stands in the calendar</h3>
          <ClashList clashes={clashes} />
        </>
      ) : null}
      {letGo}
      <div className="row">
        <Button type="primary" loading={pending} disabled={planned.length === 0} onClick={onTakeOver}>
          Take the plan over
        </Button>
        <Button disabled={!isPinned} onClick={onAgain}>
          Place the others again
        </Button>
        <Button type="text" onClick={onForget}>
          forget this plan
        </Button>
      </div>
    </section>
  );
}

/** Runs are told apart by so many shades, and by their words. */
const shades = 4;

function proofWords(proven: boolean, wished: number): string {
  if (!proven) return "The best found before time ran out: another may be better.";
  return wished > 0
    ? "Proven: no other plan meets more wishes, and none that meets as many is earlier."
    : "Proven: no other plan is earlier all in all.";
}
