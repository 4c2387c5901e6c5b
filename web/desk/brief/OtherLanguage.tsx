import { fillText, ownBuildWords, ownTexts, textTrouble, unknownTo } from "@lampcrate/core";
import { type LanguageId, languageIds, languageName, languageOf } from "@lampcrate/words";
import { useQuery } from "@tanstack/react-query";
import { Fold } from "../pieces/Fold.tsx";
import { learnedQuery } from "../queries.ts";
import { useBriefWork, useRunActions } from "../work/RunContext.ts";
import { useFilling, useNameOf } from "../work/useFilling.ts";
import { WordsBox } from "./words/WordsBox.tsx";

/** Languages that families read in, but the house's own. */
export const otherLanguages = languageIds.filter((id) => id !== "en");

/** What this house wrote itself, to be given in another language; everything else families are told in it already. */
export function OtherLanguage({ id }: { readonly id: LanguageId }) {
  const { brief, run } = useBriefWork();
  const { change } = useRunActions();
  const nameOf = useNameOf();
  const filling = useFilling();
  const language = useQuery({ queryKey: ["language", id], queryFn: () => languageOf(id), staleTime: Number.POSITIVE_INFINITY });
  const learned = useQuery(learnedQuery(run.id));
  if (!language.data) return null;
  const given = brief.translations[id] ?? {};
  const shown = (learned.data?.trials ?? []).filter((trial) => trial.shown).map(({ versions }) => ownBuildWords(versions));
  const texts = unknownTo(language.data, ownTexts(run.title, brief, nameOf, shown));
  const left = texts.filter((text) => !given[text]).length;
  const name = languageName(id);
  const set = (text: string, words: string): void => {
    const { [text]: _, ...others } = given;
    const next = words.trim() === "" ? others : { ...others, [text]: words };
    change({ translations: { ...brief.translations, [id]: next } }, `said it in ${name}`);
  };
  return (
    <Fold
      name={`In ${name}`}
      title={`For families who read ${name}`}
      at={`in-${id}`}
      holds={left === 0 ? "everything is said" : `${left} of your own ${left === 1 ? "text" : "texts"} to say`}
    >
      <p className="soft small">
        Whose device speaks {name} reads this challenge in it; what comes with a starter is said already. What you wrote or changed yourself
        stays as it is until you say it here.{" "}
        <a href={`/h/preview/${run.id}?in=${id}`} target="_blank" rel="noreferrer" hrefLang={id}>
          See the sheet in {name}
        </a>
        .
      </p>
      {texts.map((text) => (
        <div key={text} className="stack near">
          <WordsBox
            label={fillText(text, filling)}
            text={given[text] ?? ""}
            lines={text.length > 80}
            most={2400}
            filling={filling}
            nameOf={nameOf}
            onChange={(words) => set(text, words)}
          />
          {given[text] && textTrouble(given[text], { ...filling, times: 1 }) ? (
            <p role="alert" className="trouble-text">
              {textTrouble(given[text], { ...filling, times: 1 })}
            </p>
          ) : null}
        </div>
      ))}
      {texts.length === 0 ? <p className="soft">Nothing of your own here: families read all of it in {name}.</p> : null}
    </Fold>
  );
}
