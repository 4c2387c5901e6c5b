import type { BuyingDoc } from "@lampcrate/contract";
import { type BuyProblem, buyProblem, perWeekOf, type SeasonCrate } from "@lampcrate/core";
import { startTransition, useEffect, useMemo, useState } from "react";
import type { Planned, ToBuy } from "../../shared/compute/season.worker.ts";
import { planBuying } from "../../shared/compute/seasonDoor.ts";
import { useSame } from "../../shared/useSame.ts";

/** The season's buying: what is wanted, and the plan as far as it has come. */
export interface Plan {
  /** As it is: with what comes too late and what is collected. */
  readonly whole: BuyProblem;
  readonly planned: Planned | null;
  readonly trouble: string | null;
  readonly stopped: boolean;
  readonly stop: () => void;
  readonly again: () => void;
}

/** Plans the buying beside the interface whenever what it depends on changes. */
export function usePlan(doc: BuyingDoc, crates: readonly SeasonCrate[]): Plan {
  const toBuy: ToBuy = useSame(useMemo(() => ({ whole: buyProblem(doc, crates), brought: [...perWeekOf(doc).keys()] }), [crates, doc]));
  const [planned, setPlanned] = useState<Planned | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [stopped, setStopped] = useState(false);
  const [round, setRound] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new round plans the same problem again
  useEffect(() => {
    setPlanned(null);
    setTrouble(null);
    if (stopped) return;
    // The first stage gives all there is in a plan.
    const add = (more: Partial<Planned>) => startTransition(() => setPlanned((before) => ({ ...before, ...more }) as Planned));
    return planBuying(toBuy, add, setTrouble);
  }, [toBuy, stopped, round]);
  return {
    whole: toBuy.whole,
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
