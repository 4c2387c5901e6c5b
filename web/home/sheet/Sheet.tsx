import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { useParams, useSearchParams } from "react-router";
import { useWords } from "../../shared/words/useWords.ts";
import { useKept } from "../keeper/useKept.ts";
import { sheetQuery } from "../queries.ts";
import { Trouble } from "../Trouble.tsx";
import { OpenSheet } from "./OpenSheet.tsx";

/** The challenge as families read it, on a phone or on one printed page. */
export function Sheet() {
  const { code = "" } = useParams();
  const [search] = useSearchParams();
  const words = useWords();
  const sheet = useQuery(sheetQuery(code));
  useKept(code, sheet.data);
  const wantsPrint = search.has("print") && sheet.isSuccess;
  useEffect(() => {
    if (wantsPrint) void document.fonts.ready.then(() => window.print());
  }, [wantsPrint]);
  if (sheet.isPending) return <main className="home soft">{words.common.loading}</main>;
  if (sheet.isLoadingError) return <Trouble error={sheet.error} onRetry={() => void sheet.refetch()} />;
  return <OpenSheet sheet={sheet.data} />;
}
