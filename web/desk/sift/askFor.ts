import type { EntryDoc } from "@lampcrate/contract";
import { askWords, inLanguage, saying, showQuantity, type UnitChoice } from "@lampcrate/core";
import { isLanguage, languageOf } from "@lampcrate/words";
import { useQuery } from "@tanstack/react-query";

/** What a family could be asked of its odd values, in its own language, and in English where that is another; empty where nothing is odd. */
export function useAskFor(entry: EntryDoc | undefined, units: UnitChoice): { readonly words: string; readonly meant: string | null } {
  const id = entry && isLanguage(entry.language) ? entry.language : "en";
  const { data } = useQuery({ queryKey: ["language", id], queryFn: () => languageOf(id), staleTime: Number.POSITIVE_INFINITY });
  if (!entry || !data) return { words: "", meant: null };
  const words = inLanguage(data, () => askFor(entry, units));
  return { words, meant: id === "en" || words === "" ? null : askFor(entry, units) };
}

/** What an entry's family could be asked of its odd values; empty where nothing is odd. */
function askFor({ versions, dimension }: EntryDoc, units: UnitChoice): string {
  const show = (si: number): string => showQuantity(si, dimension, units);
  return versions
    .flatMap(({ role, number, trials }) =>
      trials.flatMap(({ number: trial, value, flag, offers }) => {
        if (flag === null || value === null) return [];
        const where = role === "control" ? saying`Trial ${trial} of the bare test` : saying`Trial ${trial} of version ${number}`;
        return [askWords({ where, shown: show(value), offered: offers[0] ? show(offers[0].value) : null })];
      }),
    )
    .join(" ");
}
