import { type FieldClash, mergeChanges, withTheirs } from "@lampcrate/core";
import { useKeptState } from "../../shared/useKeptState.ts";

/** A form over a saved document: what is typed, joined with whatever is saved elsewhere meanwhile. */
export interface JoinedForm<T> {
  readonly value: T;
  readonly dirty: boolean;
  readonly set: (patch: Partial<T>) => void;
  /** Forgets what was typed. */
  readonly drop: () => void;
  /** What was saved elsewhere of the very fields that are typed over here; what is typed stands until theirs is taken. */
  readonly clashes: readonly FieldClash[];
  readonly takeTheirs: () => void;
}

interface Kept<T> {
  /** As it was saved when typing began. */
  readonly base: T;
  readonly typed: T;
}

/**
 * Holds what is typed over `saved` under a name that outlives a visit elsewhere. When `saved` becomes another, as after
 * somebody else saved it, the two are joined field by field; nothing typed is lost.
 */
export function useJoinedForm<T extends object>(name: string, saved: T): JoinedForm<T> {
  const [kept, setKept] = useKeptState<Kept<T> | null>(name, null);
  const { merged, clashes } = kept ? mergeChanges(kept.base, kept.typed, saved) : { merged: saved, clashes: [] };
  const keep = (typed: T): void => setKept({ base: kept?.base ?? saved, typed });
  return {
    value: merged,
    dirty: kept !== null && JSON.stringify(merged) !== JSON.stringify(saved),
    set: (patch) => keep({ ...merged, ...patch }),
    drop: () => setKept(null),
    clashes,
    takeTheirs: () => setKept({ base: saved, typed: withTheirs(merged, clashes, () => true) }),
  };
}
