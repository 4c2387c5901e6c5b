import type { MaterialDoc, RunDoc, SessionDoc } from "@lampcrate/contract";
import type { CrateFor, CrateInput, HeadsModel } from "@lampcrate/core";
import { createContext, useContext } from "react";
import type { Promising } from "../seasonData/usePromised.ts";
import type { BriefDraft } from "./useBriefDraft.ts";

/** What every step of a run shares. */
export interface RunWork {
  readonly run: RunDoc;
  readonly draft: BriefDraft;
  /** With what is on hand for this crate: less what is promised to others before it, with what is on its way. */
  readonly materials: readonly MaterialDoc[];
  /** What other crates have of each material when this one goes out, and what is on its way in time. */
  readonly promised: ReadonlyMap<string, Promising>;
  readonly crateFor: CrateFor;
  readonly setCrateFor: (of: CrateFor) => void;
  /** The session the crate is for; null for the whole run. */
  readonly session: SessionDoc | null;
  /** Heads of that session, or of the run while it has none, as the dials show them. */
  readonly heads: HeadsModel;
  /** Why the heads could not be saved; the dial keeps its place. */
  readonly headsTrouble: string | null;
  readonly changeHeads: (heads: HeadsModel, settled: boolean) => void;
  /** What the crate is sized from. */
  readonly crateInput: CrateInput;
}

export const RunContext = createContext<RunWork | null>(null);

/** The run at hand. Throws outside a run's desk. */
export function useRunWork(): RunWork {
  const work = useContext(RunContext);
  if (!work) throw new Error("a step stands inside a run's desk");
  return work;
}
