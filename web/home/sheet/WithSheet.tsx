import type { SheetDoc } from "@lampcrate/contract";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { useParams } from "react-router";
import { useWords } from "../../shared/words/useWords.ts";
import { useKept } from "../keeper/useKept.ts";
import { sheetQuery } from "../queries.ts";
import { Trouble } from "../Trouble.tsx";

/** A page of the challenge whose code stands in the address, once its sheet is here; the device keeps it from then on. */
export function WithSheet({ children }: { readonly children: (sheet: SheetDoc) => ReactNode }) {
  const { code = "" } = useParams();
  const words = useWords();
  const sheet = useQuery(sheetQuery(code));
  useKept(code, sheet.data);
  if (sheet.isPending) return <main className="home soft">{words.common.loading}</main>;
  if (sheet.isLoadingError) return <Trouble error={sheet.error} onRetry={() => void sheet.refetch()} />;
  return children(sheet.data);
}
