import type { MineDoc, VersionInput } from "@lampcrate/contract";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { AskError, api, ask } from "../../shared/client.ts";
import { filledVersions, versionsOf } from "../../shared/logbook/versions.ts";
import { useConsent, useWords } from "../../shared/words/useWords.ts";
import { dayWords } from "../dayWords.ts";
import { focused } from "../focused.ts";
import { useFragment } from "../fragment.ts";
import { AboutIt } from "../logbook/AboutIt.tsx";
import { forgetEntry, pictureIds } from "../logbook/draft.ts";
import { LinkQr } from "../logbook/LinkQr.tsx";
import { OwnThings } from "../logbook/OwnThings.tsx";
import { RuleAnswers } from "../logbook/RuleAnswers.tsx";
import { Versions } from "../logbook/Versions.tsx";
import { pictureEntrySent } from "../pictures/album.ts";
import { OnTheWay } from "../pictures/OnTheWay.tsx";
import { picturesLeftQuery } from "../pictures/picturesLeft.ts";
import { mineQuery } from "../queries.ts";
import { Trouble } from "../Trouble.tsx";
import { Asked } from "./Asked.tsx";
import { EraseSurely } from "./EraseSurely.tsx";
import { Letters } from "./Letters.tsx";
import { Won } from "./Won.tsx";

/** One's own entry behind the private link. The secret is in the address's fragment, which no server ever sees. */
export function Mine() {
  const words = useWords();
  const secret = useFragment();
  return <MineOf key={secret} secret={secret} words={words} />;
}

function MineOf({ secret, words }: { readonly secret: string; readonly words: ReturnType<typeof useWords> }) {
  const mine = useQuery({ ...mineQuery(secret), enabled: secret !== "" });
  const [erased, setErased] = useState(false);
  if (erased)
    return (
      <main className="home">
        <h1 tabIndex={-1} ref={focused}>
          {words.mine.erased}
        </h1>
      </main>
    );
  if (secret === "")
    return (
      <main className="home">
        <p>{words.mine.noLink}</p>
      </main>
    );
  if (mine.isPending) return <main className="home soft">{words.common.loading}</main>;
  if (mine.isLoadingError) return <Trouble error={mine.error} onRetry={() => void mine.refetch()} />;
  const onErased = (): void => {
    forgetEntry(secret);
    setErased(true);
  };
  return <OpenMine mine={mine.data} secret={secret} onErased={onErased} />;
}

function OpenMine({ mine, secret, onErased }: { readonly mine: MineDoc; readonly secret: string; readonly onErased: () => void }) {
  const words = useWords();
  const consent = useConsent();
  const queries = useQueryClient();
  const { entry, sheet } = mine;
  const [versions, setVersions] = useState<readonly VersionInput[]>(() => versionsOf(entry));
  const [trouble, setTrouble] = useState<string | null>(null);
  const [saved, setSaved] = useState(false);
  const header = { "x-entry-secret": secret };
  const [about, setAbout] = useState(aboutOf(entry));
  const coming = entry.versions.flatMap((version) => version.pictures).filter(({ size }) => size === null).length;
  const changed =
    JSON.stringify(about) !== JSON.stringify(aboutOf(entry)) ||
    JSON.stringify(filledVersions(versions)) !== JSON.stringify(filledVersions(versionsOf(entry)));
  const act = async (doing: () => Promise<MineDoc>): Promise<MineDoc | null> => {
    try {
      const next = await doing();
      setTrouble(null);
      queries.setQueryData(mineQuery(secret).queryKey, next);
      return next;
    } catch (error) {
      // Somebody looked at it meanwhile: what is written here stays, and goes on top of that.
      if (error instanceof AskError && error.problem.status === 409) {
        await queries.invalidateQueries({ queryKey: mineQuery(secret).queryKey });
        setTrouble(words.mine.meanwhile);
        return null;
      }
      setTrouble(error instanceof AskError ? (error.offline ? words.common.offline : error.message) : words.common.retry);
      return null;
    }
  };
  const save = async (): Promise<void> => {
    setSaved(false);
    const json = { revision: entry.revision, ...about, versions: filledVersions(versions) };
    const next = await act(() => ask(api.public.mine.$put({ header, json })));
    if (!next) return;
    setVersions(versionsOf(next.entry));
    setAbout(aboutOf(next.entry));
    setSaved(true);
    await pictureEntrySent(secret, pictureIds(versionsOf(next.entry)));
    await queries.invalidateQueries({ queryKey: picturesLeftQuery(secret).queryKey });
  };
  const erase = async (): Promise<void> => {
    try {
      await ask(api.public.mine.$delete({ header }));
      onErased();
    } catch (error) {
      setTrouble(error instanceof AskError ? error.message : words.common.retry);
    }
  };
  return (
    <main className="home">
      <title>{`${words.mine.title}: ${entry.alias}`}</title>
      <header>
        <p className="soft small">
          {sheet.title}, {sheet.house}
        </p>
        <h1>
          {words.mine.title}: {entry.alias}
        </h1>
      </header>
      <p className="plain-words" role="status">
        {words.mine.states[entry.state]}
      </p>
      <Asked
        asks={entry.asks}
        onAnswer={(id, answer) => act(() => ask(api.public.mine.asks[":ask"].$put({ header, param: { ask: id }, json: { answer } })))}
      />
      <Won claims={mine.claims} prize={sheet.brief.prize} />
      <Letters letters={mine.letters} code={sheet.code} />
      <RuleAnswers sheet={sheet} answers={about.answers} onChange={(answers) => setAbout((now) => ({ ...now, answers }))} />
      <OwnThings sheet={sheet} tokens={about.tokens} onChange={(tokens) => setAbout((now) => ({ ...now, tokens }))} />
      <Versions sheet={sheet} secret={secret} timer={about.timer} tokens={about.tokens} versions={versions} onChange={setVersions} />
      <section className="card stacked" aria-label={words.log.adult}>
        <AboutIt ageBand={about.ageBand} said={about.said} questions={[]} onChange={(patch) => setAbout((now) => ({ ...now, ...patch }))} />
      </section>
      <OnTheWay
        secret={secret}
        count={coming}
        done={words.pictures.elsewhere}
        onArrived={() => void (coming > 0 && queries.invalidateQueries(mineQuery(secret)))}
      />
      <label className="tick card">
        <input
          type="checkbox"
          checked={mine.photo}
          onChange={({ target }) =>
            void act(() => ask(api.public.mine.photo.$put({ header, json: { given: target.checked, version: consent.version } })))
          }
        />
        <span>{words.mine.photoOn}</span>
      </label>
      {trouble === null ? null : (
        <p role="alert" className="ask">
          {trouble}
        </p>
      )}
      <button type="button" className="big" disabled={!changed} onClick={() => void save()}>
        {words.mine.save}
      </button>
      <p role="status">{saved && !changed ? words.mine.saved : ""}</p>
      <div className="buttons">
        {entry.state === "withdrawn" ? (
          <button type="button" className="plain" onClick={() => void act(() => ask(api.public.mine.restore.$post({ header })))}>
            {words.mine.restore}
          </button>
        ) : (
          <button type="button" className="plain" onClick={() => void act(() => ask(api.public.mine.withdraw.$post({ header })))}>
            {words.mine.withdraw}
          </button>
        )}
        <EraseSurely label={words.mine.erase} onErase={() => void erase()} />
      </div>
      <div className="buttons">
        {isRowOfGroup(secret) ? <p className="small">{words.mine.leaderOnly}</p> : <LinkQr link={location.href} />}
      </div>
      <Agreed consents={mine.consents} />
      <p className="small soft">{sheet.keeping}</p>
    </main>
  );
}

/** A row of a group sheet is opened by its leader's own link: whoever has the row's address has the whole group's. */
const isRowOfGroup = (secret: string): boolean => secret.includes("~");

/** What an adult agreed to, word for word, and when. */
function Agreed({ consents }: { readonly consents: MineDoc["consents"] }) {
  const words = useWords().mine;
  return (
    <ul className="plain-list small soft">
      {consents.map((one) => (
        <li key={one.part}>{(one.given ? words.agreed : words.declined)(dayWords(one.at), one.words)}</li>
      ))}
    </ul>
  );
}

/** What goes with an entry as a whole, and can be corrected. */
const aboutOf = ({ ageBand, said, tokens, timer, answers }: MineDoc["entry"]) => ({ ageBand, said, tokens, timer, answers });
