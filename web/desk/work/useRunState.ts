import type { BriefDoc, MaterialDoc, RunDoc, SessionDoc } from "@lampcrate/contract";
import { type CrateFor, crateInput, followed, takesKits } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useCallback, useMemo, useState } from "react";
import { useSame } from "../../shared/useSame.ts";
import { meQuery } from "../queries.ts";
import { nothingPromised, type Promising, usePromised } from "../seasonData/usePromised.ts";
import type { RunWork } from "./RunContext.ts";
import { useBriefDraft } from "./useBriefDraft.ts";
import { useHeads } from "./useHeads.ts";

/** Everything the steps of one run share: the brief's draft, which crate is shown, its heads while a dial moves. */
export function useRunState(run: RunDoc, stock: readonly MaterialDoc[]): RunWork {
  const follow = useCallback((brief: BriefDoc) => following(brief, stock), [stock]);
  const { draft, actions } = useBriefDraft(run, follow);
  const now = useQuery(meQuery).data?.now ?? 0;
  const [chosen, setCrateFor] = useState<CrateFor | null>(null);
  const session = sessionAt(run, chosen, now);
  const { heads, headsTrouble, changeHeads, dialled } = useHeads(run, session);
  const promised = usePromised(session?.id ?? null);
  const materials = useMemo(() => stock.map((m) => ({ ...m, onHand: freeOf(m, promised) })), [stock, promised]);
  const sessions = useMemo(() => run.sessions.map((s) => ({ ...s, heads: dialled[s.id] ?? s.heads })), [run.sessions, dialled]);
  const of = session?.id ?? null;
  const crateFor = useMemo((): CrateFor => (of === null ? { kind: "run" } : { kind: "session", id: of }), [of]);
  const ofRun = dialled[run.id] ?? run.heads;
  const input = useSame(
    useMemo(
      () => crateInput({ id: run.id, kind: run.kind, heads: ofRun }, draft.brief, sessions, materials, crateFor),
      [run.id, run.kind, ofRun, draft.brief, sessions, materials, crateFor],
    ),
  );
  const brief = useMemo(() => ({ run, ...draft }), [run, draft]);
  const crate = useMemo(
    () => ({ materials, promised, crateFor, session, heads, headsTrouble, crateInput: input }),
    [materials, promised, crateFor, session, heads, headsTrouble, input],
  );
  const all = useMemo(() => ({ ...actions, changeHeads, setCrateFor }), [actions, changeHeads]);
  return useMemo(() => ({ brief, crate, actions: all }), [brief, crate, all]);
}

/** A brief whose kit follows its numbers. */
function following(brief: BriefDoc, stock: readonly MaterialDoc[]): BriefDoc {
  const lines = followed(brief, (id) => stock.find((material) => material.id === id)?.unit ?? null);
  return lines === brief.lines ? brief : { ...brief, lines };
}

/** The session that is chosen, or the next one that kits are packed for, or the last when all are over; null for the whole run. */
function sessionAt(run: RunDoc, chosen: CrateFor | null, now: number): SessionDoc | null {
  if (chosen?.kind === "run") return null;
  const held = run.sessions.filter((session) => !session.cancelled);
  const named = chosen && held.find((session) => session.id === chosen.id);
  const packed = held.filter(takesKits);
  return named ?? packed.find((session) => session.endAt >= now) ?? packed.at(-1) ?? held.at(-1) ?? null;
}

/** What is free of a material for this crate, in its unit. */
function freeOf({ id, onHand }: MaterialDoc, promised: ReadonlyMap<string, Promising>): number {
  const { taken, due, again } = promised.get(id) ?? nothingPromised;
  return Math.max(0, onHand + due - taken) + again;
}
