import { spokenNow } from "@lampcrate/core";
import { languageIds, languageName } from "@lampcrate/words";
import { useWords } from "../../shared/words/useWords.ts";
import "./languages.css";

/** The other languages a page can be read in: plain links, which work without any script. What was written stays on the device. */
export function OtherLanguages() {
  const words = useWords();
  const now = spokenNow().id;
  return (
    <nav className="languages no-print" aria-label={words.common.languages}>
      {languageIds
        .filter((id) => id !== now)
        .map((id) => (
          <a
            key={id}
            href={`?in=${id}`}
            hrefLang={id}
            lang={id}
            // A private link's secret stands behind the #, which a plain link would lose.
            onClick={(event) => {
              event.currentTarget.href = `?in=${id}${location.hash}`;
            }}
          >
            {languageName(id)}
          </a>
        ))}
    </nav>
  );
}
