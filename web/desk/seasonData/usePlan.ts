import type { BuyingDoc } from "@lampcrate/contract";
import { type BuyProblem, buyProblem, perWeekOf, type SeasonCrate, type TooLate, withoutCollected, withoutLate } from "@lampcrate/core";
import { startTransition, useEffect, useMemo, useState } from "react";
import type { Planned } from "../../shared/compute/season.worker.ts";
import { planBuying } from "../../shared/compute/seasonDoor.ts";
import { useSame } from "../../shared/useSame.ts";

/** The season's buying: what is wanted, what comes too late, what people bring, and the plan as far as it has come. */
export interface Plan {
  /** As it is: with what comes too late and what is collected. */
  readonly whole: BuyProblem;
  readonly late: readonly TooLate[];
  /** What can be bought in time. */
  readonly rest: BuyProblem;
  readonly planned: Planned | null;
  readonly trouble: string | null;
  readonly stopped: boolean;
  readonly stop: () => void;
  readonly again: () => void;
}

/** Plans the buying beside the interface whenever what it depends on changes. */
export function usePlan(doc: BuyingDoc, crates: readonly SeasonCrate[]): Plan {
  const whole = useMemo(() => buyProblem(doc, crates), [crates, doc]);
  const wanted = useMemo(() => withoutLate(withoutCollected(whole, perWeekOf(doc))), [whole, doc]);
  const rest = useSame(wanted.rest);
  const [planned, setPlanned] = useState<Planned | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [stopped, setStopped] = useState(false);
  const [round, setRound] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new round plans the same problem again
  useEffect(() => {
    setPlanned(null);
    setTrouble(null);
    if (stopped) return;
    return planBuying(rest, (now) => startTransition(() => setPlanned(now)), setTrouble);
  }, [rest, stopped, round]);
  return {
    whole,
    late: wanted.late,
    rest,
    planned,
    trouble,
    stopped,
    stop: () => setStopped(true),
    again: () => {
      setStopped(false);
      setRound((n) => n + 1);
    },
  };
}
