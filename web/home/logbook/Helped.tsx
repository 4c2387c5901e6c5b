import type { SheetDoc } from "@lampcrate/contract";
import { useQuery } from "@tanstack/react-query";
import { filledVersions } from "../../shared/logbook/versions.ts";
import type { LogDraft } from "./draft.ts";

/** Did the last change help? Said as soon as two versions have numbers; reckoned on the device. */
export function Helped({ sheet, draft }: { readonly sheet: SheetDoc; readonly draft: Pick<LogDraft, "versions" | "tokens" | "timer"> }) {
  const filled = filledVersions(draft.versions);
  const words = useQuery({
    queryKey: ["helped", sheet.code, filled, draft.tokens, draft.timer],
    queryFn: async () => (await import("./helpedWords.ts")).helpedWords(sheet, filled, draft),
    enabled: filled.filter((version) => version.role === "build").length >= 2,
    placeholderData: (before) => before,
  });
  return words.data ? (
    <p className="plain-words" role="status">
      <strong>{words.data}</strong>
    </p>
  ) : null;
}
