import type { SheetDoc, TrialInput } from "@lampcrate/contract";
import { checkVersion, type Family, furtherOf, type Measure, readGuess, readSetting, readTrial } from "@lampcrate/core";
import { filledVersions } from "../../shared/logbook/versions.ts";
import { useConsent, useWords } from "../../shared/words/useWords.ts";
import { familyOf, questionsOf } from "../family.ts";
import { comesAgain } from "../sending/useSendAgain.ts";
import { closingWords } from "../sheet/OpenSheet.tsx";
import { AboutIt } from "./AboutIt.tsx";
import { type LogDraft, pictureIds } from "./draft.ts";
import type { Book } from "./useLogbook.ts";

/** What an adult decides, and the button. It says what is missing before it can be pressed. */
export function SendPart({ sheet, book }: { readonly sheet: SheetDoc; readonly book: Book }) {
  const words = useWords();
  const consent = useConsent();
  const { draft, change, trouble } = book;
  const missing = missingWords(sheet, draft, words);
  const asked = sheet.brief.outcomes.versions;
  return (
    <section className="card stacked" aria-labelledby="send" data-stop={words.walk.send} tabIndex={-1}>
      <h2 id="send">{words.log.adult}</h2>
      <AboutIt ageBand={draft.ageBand} said={draft.said} questions={questionsOf(sheet.brief).after} onChange={change} />
      <p className="small soft">{words.log.noNames}</p>
      <label className="tick">
        <input type="checkbox" checked={draft.keep} onChange={(event) => change({ keep: event.target.checked })} />
        <span>
          {consent.keep} {sheet.keeping}
        </span>
      </label>
      {pictureIds(filledVersions(draft.versions)).length === 0 ? null : (
        <label className="tick">
          <input type="checkbox" checked={draft.photo} onChange={(event) => change({ photo: event.target.checked })} />
          <span>{consent.photo}</span>
        </label>
      )}
      {trouble ? (
        <div role="alert" className="ask">
          {trouble.offline ? (
            <p>{book.stored ? words.log.notSent : words.notSaved.notSent}</p>
          ) : (
            (trouble.problem.errors ?? [{ field: "entry", message: trouble.message }]).map((error) => (
              <p key={error.field}>{error.message}</p>
            ))
          )}
          {!trouble.offline && comesAgain(trouble) ? <p>{words.log.againByItself}</p> : null}
        </div>
      ) : null}
      {missing === null ? null : <p id="send-missing">{missing}</p>}
      {missing === null && testedBuilds(draft) < asked ? <p>{words.log.fewer(asked, testedBuilds(draft))}</p> : null}
      <button
        type="button"
        className="big"
        disabled={missing !== null || book.sending}
        aria-describedby={missing === null ? undefined : "send-missing"}
        onClick={() => void book.send()}
      >
        {book.sending ? words.log.sending : words.log.send}
      </button>
      <p className="small">{closingWords(sheet, words)}</p>
    </section>
  );
}

/** Versions with a result of any kind. */
const testedBuilds = ({ versions }: LogDraft): number => filledVersions(versions).filter(({ role }) => role === "build").length;

function missingWords(sheet: SheetDoc, draft: LogDraft, words: ReturnType<typeof useWords>): string | null {
  const family = familyOf(sheet.brief, draft.tokens);
  const [measure] = family.measures(sheet.brief.spec);
  const filled = filledVersions(draft.versions);
  const reads = filled.flatMap((version) =>
    checkVersion(family, sheet.brief.spec, sheet.brief.design, version, draft.timer).map(({ read, broke }, i) => ({
      unread: !read.ok && read.reason !== "token mass unknown" && (version.trials[i]?.raw ?? null) !== null,
      unreadBroke: !broke.ok && broke.reason !== "token mass unknown" && (version.trials[i]?.broke ?? null) !== null,
      unset: isUnset(version.trials[i], measure),
      crossed: read.ok && broke.ok && broke.si <= read.si,
    })),
  );
  if (reads.some(({ unread, unreadBroke }) => unread || unreadBroke)) return words.log.needRead;
  if (filled.some((version) => version.trials.some((trial) => isBesideUnread(sheet.brief, family, trial)))) return words.log.needRead;
  if (reads.some(({ unset }) => unset)) return words.log.needSetting(measure.setting?.words ?? "");
  if (reads.some(({ crossed }) => crossed)) return words.log.needMore;
  const builds = filled.filter(({ role }) => role === "build");
  if (builds.some(({ guess }, n) => readGuess(guess, measure, n === 0).trouble !== null)) return words.log.needRead;
  if (builds.length === 0) return words.log.needOne;
  if (sheet.entries !== "open") return words.log.notOpen;
  return draft.keep ? null : words.log.needConsent;
}

/** True where what was tried at is missing on a ladder, or can't be read. */
function isUnset(trial: TrialInput | undefined, { rungs, setting }: Measure): boolean {
  if (!trial || !setting) return false;
  if (trial.setting === null) return rungs !== undefined && setting.kind === "number";
  return readSetting(trial.setting, setting).trouble !== null;
}

/** True where something measured beside can't be read. */
function isBesideUnread({ spec, outcomes }: SheetDoc["brief"], family: Family, { further }: TrialInput): boolean {
  return furtherOf(family, spec, outcomes).some((measure) => {
    const raw = further[measure.id];
    return raw !== undefined && !readTrial(raw, measure).ok;
  });
}
