import type { SheetDoc } from "@lampcrate/contract";
import { codeInAddress } from "@lampcrate/core";
import { useState } from "react";
import { Link } from "react-router";
import { filledVersions } from "../../shared/logbook/versions.ts";
import { useWords } from "../../shared/words/useWords.ts";
import { OnTheWay } from "../pictures/OnTheWay.tsx";
import { type LogDraft, pictureIds } from "./draft.ts";
import { LinkQr } from "./LinkQr.tsx";
import { SentBefore } from "./SentBefore.tsx";

/** After sending: the made-up name and the private link, which only this family has. */
export function Sent({
  draft,
  sheet,
  onStartOver,
}: {
  readonly draft: LogDraft;
  readonly sheet: SheetDoc;
  readonly onStartOver: () => void;
}) {
  const words = useWords();
  const [copied, setCopied] = useState(false);
  const path = `/h/mine#${draft.secret}`;
  const link = `${location.origin}${path}`;
  return (
    <main className="home">
      <title>{`${words.sent.title} ${sheet.title}`}</title>
      <header>
        <p className="soft small">{sheet.title}</p>
        <h1>{words.sent.title}</h1>
      </header>
      <OnTheWay secret={draft.secret} count={pictureIds(filledVersions(draft.versions)).length} done={words.pictures.arrived} />
      <section className="card stacked">
        <p>
          {words.sent.alias} <strong className="goal">{draft.sent?.alias}</strong>
        </p>
        <p>{words.sent.link}</p>
        <p className="breaks small">
          <a href={path}>{link}</a>
        </p>
        <div className="buttons">
          <button type="button" className="plain" onClick={() => void navigator.clipboard?.writeText(link).then(() => setCopied(true))}>
            {copied ? words.sent.copied : words.sent.copy}
          </button>
          <a className="plain" href={path}>
            {words.sent.open}
          </a>
          {"share" in navigator ? (
            // Whoever closes it again without sharing has done nothing wrong.
            <button type="button" className="plain" onClick={() => void navigator.share({ url: link }).catch(() => undefined)}>
              {words.sent.share}
            </button>
          ) : null}
          <LinkQr link={link} />
        </div>
      </section>
      <SentBefore code={sheet.code} but={draft.secret} />
      <div className="buttons">
        <Link className="plain" to={`/h/${codeInAddress(sheet.code)}`}>
          {words.common.back}
        </Link>
        <button type="button" className="link" onClick={onStartOver}>
          {words.log.startOver}
        </button>
      </div>
    </main>
  );
}
