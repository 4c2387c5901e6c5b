import type { SheetDoc } from "@lampcrate/contract";
import { codeInAddress, inLanguage } from "@lampcrate/core";
import { isLanguage, languageOf } from "@lampcrate/words";
import { renderToString } from "react-dom/server";
import { StaticRouter } from "react-router";
import { useWords } from "../shared/words/useWords.ts";
import { fetchFamily } from "./family.ts";
import { HostContext } from "./host.ts";
import { OtherLanguages } from "./language/OtherLanguages.tsx";
import { LogbookHead } from "./logbook/LogbookHead.tsx";
import { OpenSheet } from "./sheet/OpenSheet.tsx";

/** The pages of a challenge that the server draws. */
export type DrawnPage = "sheet" | "log";

/**
 * A page's markup, as the server answers with it: a sheet is read, and printed, before any script and without it; of a
 * logbook there is its head, for what is written in it is on the device alone.
 */
export async function pageMarkup(sheet: SheetDoc, host: string, page: DrawnPage): Promise<string> {
  const language = await languageOf(isLanguage(sheet.language) ? sheet.language : "en");
  await fetchFamily(sheet.brief.family);
  const path = `/h/${codeInAddress(sheet.code)}`;
  const markup = inLanguage(language, () =>
    renderToString(
      <HostContext value={host}>
        <StaticRouter location={page === "log" ? `${path}/log` : path}>
          <OtherLanguages />
          {page === "log" ? <ComingLogbook sheet={sheet} /> : <OpenSheet sheet={sheet} />}
        </StaticRouter>
      </HostContext>,
    ),
  );
  // The page's own title says it already.
  return markup.replace(/<title>.*?<\/title>/, "");
}

function ComingLogbook({ sheet }: { readonly sheet: SheetDoc }) {
  const words = useWords();
  return (
    <main className="home">
      <LogbookHead sheet={sheet} />
      <p className="soft">{words.common.loading}</p>
      <noscript>{words.log.noScript}</noscript>
    </main>
  );
}
