import type { SheetDoc } from "@lampcrate/contract";
import { codeInAddress } from "@lampcrate/core";
import { renderToString } from "react-dom/server";
import { StaticRouter } from "react-router";
import { fetchFamily } from "../family.ts";
import { HostContext } from "../host.ts";
import { OpenSheet } from "./OpenSheet.tsx";

/** A sheet's markup, as the server answers with it: read, and printed, before any script and without it. */
export async function sheetMarkup(sheet: SheetDoc, host: string): Promise<string> {
  await fetchFamily(sheet.brief.family);
  const markup = renderToString(
    <HostContext value={host}>
      <StaticRouter location={`/h/${codeInAddress(sheet.code)}`}>
        <OpenSheet sheet={sheet} />
      </StaticRouter>
    </HostContext>,
  );
  // The page's own title says it already.
  return markup.replace(/<title>.*?<\/title>/, "");
}
