import type { CrateInput, Manifest } from "@lampcrate/core";
import { useMemo } from "react";
import { crateDoor } from "../../shared/compute/crateDoor.ts";
import { useLatest } from "../../shared/compute/useLatest.ts";

/** The crate as last sized; `slow` when the newest sizing has taken over half a second. */
export interface Crate {
  readonly manifest: Manifest | null;
  readonly slow: boolean;
  /** Why the newest could not be sized. */
  readonly trouble: string | null;
  readonly again: () => void;
}

/** Sizes the crate in the worker whenever its input changes; the newest input wins. */
export function useCrate(input: CrateInput): Crate {
  const { output, slow, trouble, again } = useLatest(crateDoor, input, "crate");
  const manifest = output?.manifest ?? null;
  return useMemo(() => ({ manifest, slow, trouble, again }), [manifest, slow, trouble, again]);
}
