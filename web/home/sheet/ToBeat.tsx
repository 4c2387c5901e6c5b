import type { SheetDoc } from "@lampcrate/contract";
import { useWords } from "../../shared/words/useWords.ts";

/** What the house itself built and measured; nothing where it shows none. */
export function ToBeat({ builds }: { readonly builds: SheetDoc["toBeat"] }) {
  const words = useWords();
  if (builds.length === 0) return null;
  return (
    <section className="card" aria-label={words.sheet.toBeat}>
      <h2>{words.sheet.toBeat}</h2>
      <ul className="plain-list">
        {builds.map(({ id, best, what }) => (
          <li key={id}>
            {words.sheet.ourBuild} {best === null ? null : <strong>{best}</strong>}
            {what === "" ? "" : `${best === null ? "" : ", "}${what}`}
          </li>
        ))}
      </ul>
    </section>
  );
}
