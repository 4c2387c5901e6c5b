import type { Rehearsal } from "@lampcrate/contract";
import { type DropIn, families, usualDay } from "@lampcrate/core";
import { useEffect, useRef, useState } from "react";
import { useBriefWork, useCrateWork } from "../work/RunContext.ts";
import { useSizedCrate } from "../work/SizedCrate.tsx";
import { useRunSettings } from "../work/useRunSettings.ts";

/** A change rests so long before it is kept, ms. */
const restMs = 900;

/** What a planner asks of a day until they say otherwise. */
const usualTargets: Rehearsal["targets"] = [
  { what: "rigWait", minutes: 5, atLeast: 0.9 },
  { what: "turnedAway", atMost: 0.05 },
];

/** A run's drop-in day: as it was last rehearsed, else as the brief suggests; kept with the run when a change has rested. */
export function useRehearsal() {
  const suggested = useSuggested();
  const { run } = useBriefWork();
  const { change, trouble } = useRunSettings();
  const [held, setHeld] = useState<Rehearsal | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const now: Rehearsal = held ?? run.rehearsal ?? { day: suggested, targets: usualTargets };
  const latest = useRef(now);
  latest.current = now;
  // Undone or changed elsewhere: what is held here has been kept long ago.
  const kept = run.rehearsal;
  // biome-ignore lint/correctness/useExhaustiveDependencies: only what the server keeps takes the place of what is held
  useEffect(() => {
    if (timer.current === undefined) setHeld(null);
  }, [kept]);
  const keep = (): void => {
    clearTimeout(timer.current);
    timer.current = undefined;
    void change({ rehearsal: latest.current });
  };
  // Whoever leaves the page while a change rests has it kept.
  const leaving = useRef(keep);
  leaving.current = keep;
  useEffect(() => () => (timer.current === undefined ? undefined : leaving.current()), []);
  const set = (patch: Partial<Rehearsal>, atOnce = false): void => {
    const next = { ...latest.current, ...patch };
    latest.current = next;
    setHeld(next);
    clearTimeout(timer.current);
    if (atOnce) keep();
    else timer.current = setTimeout(keep, restMs);
  };
  return {
    ...now,
    isSuggested: held === null && run.rehearsal === null,
    trouble,
    setDay: (patch: Partial<DropIn>): void => set({ day: { ...latest.current.day, ...patch } }),
    /** A whole room or day put in place of this one: kept at once. */
    takeOver: (patch: Partial<DropIn>): void => set({ day: { ...latest.current.day, ...patch } }, true),
    setTargets: (targets: Rehearsal["targets"]): void => set({ targets }),
  };
}

/** The day that brief, room and heads suggest. */
function useSuggested(): DropIn {
  const { brief } = useBriefWork();
  const { session } = useCrateWork();
  const { manifest } = useSizedCrate();
  const builders = manifest?.heads.median ?? 30;
  const atOnce = Math.max(4, Math.ceil((manifest?.heads.high ?? builders) * brief.shareAtOnce));
  const seats = Math.ceil(atOnce / brief.seatsPerTable) * brief.seatsPerTable;
  return usualDay({
    minutes: session?.minutes ?? 240,
    builders,
    unit: brief.buildBy === "team" ? "team" : "builder",
    seats,
    kits: null,
    rigs: Math.max(1, Math.ceil(atOnce / brief.rigServes)),
    buildMinutes: brief.buildMinutes,
    trials: brief.trials,
    minutesPerTrial: families[brief.family].needs(brief.spec).minutesPerTrial,
    rebuildChance: brief.rebuildRate,
    mostRebuilds: brief.loops,
  });
}
