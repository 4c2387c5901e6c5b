import type { SheetDoc } from "@lampcrate/contract";
import { useQuery } from "@tanstack/react-query";
import { filledVersions } from "../../shared/logbook/versions.ts";
import { useWords } from "../../shared/words/useWords.ts";
import type { LogDraft } from "./draft.ts";

/** Did the last change help? Said as soon as two versions have numbers; reckoned on the device. */
export function Helped({ sheet, draft }: { readonly sheet: SheetDoc; readonly draft: Pick<LogDraft, "versions" | "tokens" | "timer"> }) {
  const filled = filledVersions(draft.versions);
  const words = useWords();
  const isAsked = filled.filter((version) => version.role === "build").length >= 2;
  const said = useQuery({
    queryKey: ["helped", sheet.code, filled, draft.tokens, draft.timer],
    queryFn: async () => (await import("./helpedWords.ts")).helpedWords(sheet, filled, draft),
    enabled: isAsked,
    placeholderData: (before) => before,
  });
  if (!isAsked || said.data === null) return null;
  // Its place is there before its words are: nothing below moves under a thumb when they come.
  return (
    <p className="plain-words helped" role="status">
      <strong>{said.isPending ? words.log.comparing : said.data}</strong>
    </p>
  );
}
