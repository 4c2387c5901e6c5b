import type { CrateInput } from "@lampcrate/core";
import { createContext, type ReactNode, useContext } from "react";
import { type Crate, useCrate } from "./useCrate.ts";

const CrateContext = createContext<Crate>({ manifest: null, slow: false, trouble: null, again: () => {} });

/** Sizes the crate for all that stands inside: only who asks for the crate is painted anew when it has been sized. */
export function SizedCrate({ input, children }: { readonly input: CrateInput; readonly children: ReactNode }) {
  return <CrateContext.Provider value={useCrate(input)}>{children}</CrateContext.Provider>;
}

/** The crate of the run at hand, as last sized. */
export const useSizedCrate = (): Crate => useContext(CrateContext);
