import type { BuyingDoc } from "@lampcrate/contract";
import { type BuyProblem, buyProblem, type SeasonCrate, type TooLate, withoutLate } from "@lampcrate/core";
import { useEffect, useMemo, useState } from "react";
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
  const wanted = useMemo(() => withoutLate(withoutCollected(whole, doc)), [whole, doc]);
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
    return planBuying(rest, setPlanned, setTrouble);
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

/** Donated goods are asked for, not bought: nobody sells them here unless a supplier does. */
function withoutCollected(problem: BuyProblem, doc: BuyingDoc): BuyProblem {
  const collected = new Set(doc.materials.filter((m) => m.perWeek !== null).map((m) => m.id));
  const sold = new Set(problem.packs.map((pack) => pack.material));
  const left = problem.materials.filter((m) => !collected.has(m.id) || sold.has(m.id));
  return { ...problem, materials: left };
}
