import type { SheetLine } from "@lampcrate/contract";
import { useWords } from "../../shared/words/useWords.ts";

/** What is packed, what is at the table, what to find at home, and what to use instead. */
export function Materials({ lines, atHome }: { readonly lines: readonly SheetLine[]; readonly atHome: boolean }) {
  const words = useWords();
  const groups = [
    ["packed", words.sheet.packed],
    ["house", atHome ? words.sheet.lent : words.sheet.house],
    ["home", words.sheet.home],
  ] as const;
  return (
    <section className="card stacked">
      {groups.map(([source, title]) => {
        const of = lines.filter((line) => line.source === source);
        if (of.length === 0 && source !== "packed") return null;
        return (
          <div key={source}>
            <h2>{title}</h2>
            {of.length === 0 ? (
              <p>{words.sheet.nothing}</p>
            ) : (
              <ul>
                {of.map((line) => (
                  <li key={line.words}>
                    {line.words}
                    {line.standIn ? (
                      <span className="soft">
                        , {words.sheet.or} {line.standIn}
                      </span>
                    ) : null}
                  </li>
                ))}
              </ul>
            )}
          </div>
        );
      })}
    </section>
  );
}
