import type { MaterialDoc, RunDoc, SessionDoc } from "@lampcrate/contract";
import type { CrateFor, CrateInput, HeadsModel } from "@lampcrate/core";
import { type Context, createContext, useContext } from "react";
import type { Promising } from "../seasonData/usePromised.ts";
import type { BriefDraft, DraftActions } from "./useBriefDraft.ts";

/** A run, and its brief as it is being worked on. */
export interface BriefWork extends BriefDraft {
  readonly run: RunDoc;
}

/** The crate at hand, as it is to be sized. */
export interface CrateWork {
  /** With what is on hand for this crate: less what is promised to others before it, with what is on its way. */
  readonly materials: readonly MaterialDoc[];
  /** What other crates have of each material when this one goes out, and what is on its way in time. */
  readonly promised: ReadonlyMap<string, Promising>;
  readonly crateFor: CrateFor;
  /** The session the crate is for; null for the whole run. */
  readonly session: SessionDoc | null;
  /** Heads of that session, or of the run while it has none, as the dials show them. */
  readonly heads: HeadsModel;
  /** Why the heads could not be saved; the dial keeps its place. */
  readonly headsTrouble: string | null;
  /** What the crate is sized from; the same object while nothing in it changes. */
  readonly crateInput: CrateInput;
}

/** What is done at a run's desk; the same object for as long as it is open. */
export interface RunActions extends DraftActions {
  readonly setCrateFor: (of: CrateFor) => void;
  readonly changeHeads: (heads: HeadsModel, settled: boolean) => void;
}

/** What every step of a run shares, apart: who asks for one is not painted anew for the others. */
export interface RunWork {
  readonly brief: BriefWork;
  readonly crate: CrateWork;
  readonly actions: RunActions;
}

export const BriefContext = createContext<BriefWork | null>(null);
export const CrateWorkContext = createContext<CrateWork | null>(null);
export const ActionsContext = createContext<RunActions | null>(null);

/** The run at hand and its brief. Throws outside a run's desk, as the others do. */
export const useBriefWork = (): BriefWork => useInside(BriefContext);
/** What the crate at hand is sized from. */
export const useCrateWork = (): CrateWork => useInside(CrateWorkContext);
/** What can be done here. */
export const useRunActions = (): RunActions => useInside(ActionsContext);

function useInside<Work>(context: Context<Work | null>): Work {
  const work = useContext(context);
  if (!work) throw new Error("a step stands inside a run's desk");
  return work;
}
