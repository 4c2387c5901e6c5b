import type { SheetDoc, VersionInput } from "@lampcrate/contract";
import { useQuery } from "@tanstack/react-query";
import { filledVersions } from "../../shared/logbook/versions.ts";

/** Did the last change help? Said as soon as two versions have numbers; reckoned on the device. */
export function Helped({ sheet, versions }: { readonly sheet: SheetDoc; readonly versions: readonly VersionInput[] }) {
  const filled = filledVersions(versions);
  const words = useQuery({
    queryKey: ["helped", sheet.code, filled],
    queryFn: async () => (await import("./helpedWords.ts")).helpedWords(sheet, filled),
    enabled: filled.filter((version) => version.role === "build").length >= 2,
    placeholderData: (before) => before,
  });
  return words.data ? (
    <p className="plain-words" role="status">
      <strong>{words.data}</strong>
    </p>
  ) : null;
}
