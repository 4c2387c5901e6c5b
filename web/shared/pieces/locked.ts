import { createContext, useContext } from "react";

/** Whether what stands inside may only be looked at. */
export const LockedContext = createContext(false);

export const useLocked = (): boolean => useContext(LockedContext);
