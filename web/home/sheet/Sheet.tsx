import type { SheetDoc } from "@lampcrate/contract";
import { useEffect } from "react";
import { useSearchParams } from "react-router";
import { OpenSheet } from "./OpenSheet.tsx";
import { WithSheet } from "./WithSheet.tsx";

/** The challenge as families read it, on a phone or on one printed page. */
export function Sheet() {
  return <WithSheet>{(sheet) => <PrintedSheet sheet={sheet} />}</WithSheet>;
}

/** The sheet, which prints itself where its address asks for that. */
function PrintedSheet({ sheet }: { readonly sheet: SheetDoc }) {
  const wantsPrint = useSearchParams()[0].has("print");
  useEffect(() => {
    if (wantsPrint) void document.fonts.ready.then(() => window.print());
  }, [wantsPrint]);
  return <OpenSheet sheet={sheet} />;
}
