import type { SheetDoc } from "@lampcrate/contract";
import { codeInAddress } from "@lampcrate/core";
import { useState } from "react";
import { Link } from "react-router";
import { useWords } from "../../shared/words/useWords.ts";
import { LinkQr } from "../logbook/LinkQr.tsx";
import type { GroupDraft } from "./draft.ts";

interface GroupSentProps {
  readonly sheet: SheetDoc;
  readonly draft: GroupDraft;
  readonly onStartOver: () => void;
}

/** After a group was sent: who is who, for the leader alone, and the link that opens all of them. */
export function GroupSent({ sheet, draft, onStartOver }: GroupSentProps) {
  const words = useWords();
  const [copied, setCopied] = useState(false);
  const path = `/h/group#${draft.secret}`;
  const link = `${location.origin}${path}`;
  return (
    <main className="home">
      <title>{`${words.group.sentTitle} ${sheet.title}`}</title>
      <header>
        <p className="soft small">{sheet.title}</p>
        <h1>{words.group.sentTitle}</h1>
      </header>
      <section className="card stacked">
        <p>{words.group.link}</p>
        <p className="breaks small">
          <a href={path}>{link}</a>
        </p>
        <div className="buttons">
          <button type="button" className="plain" onClick={() => void navigator.clipboard?.writeText(link).then(() => setCopied(true))}>
            {copied ? words.sent.copied : words.sent.copy}
          </button>
          <a className="plain" href={path}>
            {words.group.open}
          </a>
          <LinkQr link={link} />
        </div>
      </section>
      <section className="card">
        <h2>{words.group.names}</h2>
        <p className="small soft">{words.group.namesHint}</p>
        <table>
          <thead>
            <tr>
              <th scope="col">{words.group.row}</th>
              <th scope="col">{words.group.mark}</th>
              <th scope="col">{words.reveal.who}</th>
            </tr>
          </thead>
          <tbody>
            {Object.entries(draft.sent ?? {}).map(([row, alias]) => (
              <tr key={row}>
                <th scope="row">{row}</th>
                <td>{draft.lines[Number(row) - 1]?.mark}</td>
                <td>{alias}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <div className="buttons">
        <button type="button" className="plain" onClick={() => window.print()}>
          {words.group.printNames}
        </button>
        <Link className="plain" to={`/h/${codeInAddress(sheet.code)}`}>
          {words.common.back}
        </Link>
        <button type="button" className="link" onClick={onStartOver}>
          {words.group.startOver}
        </button>
      </div>
    </main>
  );
}
