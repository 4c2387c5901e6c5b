import type { SheetDoc } from "@lampcrate/contract";
import { useEffect } from "react";
import { keepSheet } from "./keep.ts";
import { rememberSheet } from "./knownSheets.ts";

/** A challenge that is open stays on this device: its pages, and its name at the door. `code` is as it stands in the address. */
export function useKept(code: string, sheet: SheetDoc | undefined): void {
  const title = sheet?.title;
  useEffect(() => {
    if (title === undefined) return;
    rememberSheet({ code, title });
    void keepSheet(code);
  }, [code, title]);
}
