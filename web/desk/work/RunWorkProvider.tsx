import { type ReactNode, useDeferredValue } from "react";
import { ActionsContext, BriefContext, CrateWorkContext, type RunWork, useBriefWork, useCrateWork } from "./RunContext.ts";

/** Hands what the steps of a run share to all that stands inside. */
export function RunWorkProvider({ work, children }: { readonly work: RunWork; readonly children: ReactNode }) {
  return (
    <ActionsContext.Provider value={work.actions}>
      <BriefContext.Provider value={work.brief}>
        <CrateWorkContext.Provider value={work.crate}>{children}</CrateWorkContext.Provider>
      </BriefContext.Provider>
    </ActionsContext.Provider>
  );
}

/** What stands inside follows a dragged dial a moment later, so that the dial itself never waits. */
export function Rested({ children }: { readonly children: ReactNode }) {
  return (
    <BriefContext.Provider value={useDeferredValue(useBriefWork())}>
      <CrateWorkContext.Provider value={useDeferredValue(useCrateWork())}>{children}</CrateWorkContext.Provider>
    </BriefContext.Provider>
  );
}
