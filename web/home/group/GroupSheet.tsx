import type { SheetDoc } from "@lampcrate/contract";
import { codeInAddress, type Field, showQuantity } from "@lampcrate/core";
import { useState } from "react";
import { Link } from "react-router";
import { useConsent, useWords } from "../../shared/words/useWords.ts";
import { familyOf } from "../family.ts";
import { useHost } from "../host.ts";
import { AgeChoice } from "../logbook/AgeChoice.tsx";
import { NotSaved } from "../NotSaved.tsx";
import { comesAgain } from "../sending/useSendAgain.ts";
import { closingWords } from "../sheet/OpenSheet.tsx";
import { WithSheet } from "../sheet/WithSheet.tsx";
import { AskedCells } from "./AskedCells.tsx";
import { variedFields } from "./columns.ts";
import { type GroupLine, type Pasted, withCell } from "./draft.ts";
import { Grid } from "./Grid.tsx";
import { GroupSent } from "./GroupSent.tsx";
import type { AskedCell } from "./read.ts";
import { type GroupBook, useGroup } from "./useGroup.ts";
import "./group.css";

/** One page for whoever leads a group: every builder's results, sent at once. */
export function GroupSheet() {
  return <WithSheet>{(sheet) => <OpenGroup sheet={sheet} />}</WithSheet>;
}

function OpenGroup({ sheet }: { readonly sheet: SheetDoc }) {
  const words = useWords();
  const host = useHost();
  const book = useGroup(sheet);
  const family = familyOf(sheet.brief);
  if (book.draft.sent) return <GroupSent sheet={sheet} draft={book.draft} onStartOver={book.startOver} />;
  const path = `/h/${codeInAddress(sheet.code)}`;
  return (
    <main className="home group">
      <NotSaved stored={book.stored} what="group" />
      <title>{`${words.group.title}: ${sheet.title}`}</title>
      <header>
        <p className="soft small">
          <Link to={path}>{sheet.title}</Link>, {words.common.code} <span className="code">{sheet.code}</span>
          <span className="only-print"> {`${host}${path}/group`}</span>
        </p>
        <h1>{words.group.title}</h1>
      </header>
      <p className="goal">{family.goalWords(sheet.brief.spec, (si, dimension) => showQuantity(si, dimension, sheet.units))}</p>
      <FillIn sheet={sheet} book={book} />
    </main>
  );
}

function FillIn({ sheet, book }: { readonly sheet: SheetDoc; readonly book: GroupBook }) {
  const words = useWords();
  const { draft, read, change } = book;
  const family = familyOf(sheet.brief);
  const [measure] = family.measures(sheet.brief.spec);
  const fields = variedFields(family, sheet.brief);
  const [pasted, setPasted] = useState<Pasted | null>(null);
  const patchLine = ({ line }: AskedCell, patch: (of: GroupLine) => GroupLine): void =>
    change(({ lines }) => ({ lines: lines.map((one, i) => (i === line ? patch(one) : one)) }));
  return (
    <>
      <p className="no-print">
        {words.group.how} {book.stored ? words.group.saved : ""}{" "}
        {measure.rungs
          ? words.group.howRungs(measure.rungs.steps.map((step, i) => `${i + 1} ${step}`).join(", "))
          : measure.numberless
            ? words.group.howJudged
            : words.group.howNumbers}
        {measure.setting ? ` ${words.group.howSettings}` : ""}
      </p>
      <Setup fields={fields} control={family.protocol.control ?? null} book={book} />
      {pasted ? (
        <p role="status" className="ask no-print">
          {pasted.left > 0 ? `${words.group.tooMany(pasted.left)} ` : `${words.group.pasted} `}
          <button
            type="button"
            className="plain"
            onClick={() => {
              change(pasted.before);
              setPasted(null);
            }}
          >
            {words.group.unpaste}
          </button>
        </p>
      ) : null}
      <Grid
        sheet={sheet}
        family={family}
        draft={draft}
        asked={new Set(read.asked.map(({ line, column }) => `${line} ${column.id}`))}
        onChange={change}
        onPasted={setPasted}
      />
      <AskedCells
        asked={read.asked}
        measure={measure}
        units={sheet.units}
        onWrite={(cell, text) => patchLine(cell, (line) => withCell(line, [cell.column.id, text]))}
        onKeep={(cell) => patchLine(cell, (line) => ({ ...line, kept: [...line.kept, cell.column.id] }))}
      />
      <SendGroup sheet={sheet} book={book} />
    </>
  );
}

interface SetupProps {
  readonly fields: readonly Field[];
  /** The challenge's bare test, in words; null where it has none. */
  readonly control: string | null;
  readonly book: GroupBook;
}

function Setup({ fields, control, book: { draft, change } }: SetupProps) {
  const words = useWords();
  return (
    <div className="no-print">
      <div className="pair">
        <label className="field">
          <span>{words.group.versions}</span>
          <select className="typed" value={draft.versions} onChange={(event) => change({ versions: Number(event.target.value) })}>
            {[1, 2, 3].map((n) => (
              <option key={n} value={n}>
                {n}
              </option>
            ))}
          </select>
        </label>
        <label className="field">
          <span>{words.group.varied}</span>
          <select className="typed" value={draft.varied ?? ""} onChange={(event) => change({ varied: event.target.value || null })}>
            <option value="">{words.group.variedNone}</option>
            {fields.map((field) => (
              <option key={field.id} value={field.id}>
                {field.words}
              </option>
            ))}
          </select>
        </label>
      </div>
      {control === null ? null : (
        <label className="tick above">
          <input type="checkbox" checked={draft.bare} onChange={(event) => change({ bare: event.target.checked })} />
          <span>
            {words.group.bare} <span className="soft">{control}</span>
          </span>
        </label>
      )}
    </div>
  );
}

function SendGroup({ sheet, book }: { readonly sheet: SheetDoc; readonly book: GroupBook }) {
  const words = useWords();
  const consent = useConsent();
  const { draft, read, change, send, sending, trouble } = book;
  const unread = read.asked.filter((cell) => cell.trouble !== null).length;
  const missing =
    sheet.entries !== "open"
      ? `${words.log.notOpen} ${closingWords(sheet, words)}`
      : read.rows.length === 0
        ? words.group.needOne
        : unread > 0
          ? words.group.needRead(unread)
          : draft.keep
            ? null
            : words.log.needConsent;
  return (
    <section className="card stacked no-print" aria-labelledby="send-group">
      <h2 id="send-group">{words.log.adult}</h2>
      <AgeChoice value={draft.ageBand} onChange={(ageBand) => change({ ageBand })} />
      <label className="tick">
        <input type="checkbox" checked={draft.keep} onChange={(event) => change({ keep: event.target.checked })} />
        <span>
          {consent.group} {sheet.keeping}
        </span>
      </label>
      {trouble ? (
        <div role="alert" className="ask">
          <p>{trouble.offline ? (book.stored ? words.log.notSent : words.notSaved.notSent) : trouble.message}</p>
          {!trouble.offline && comesAgain(trouble) ? <p>{words.log.againByItself}</p> : null}
        </div>
      ) : null}
      {missing === null ? null : <p className="soft">{missing}</p>}
      <div className="buttons">
        <button type="button" className="big" disabled={missing !== null || sending} onClick={() => void send()}>
          {sending ? words.log.sending : words.group.send(read.rows.length)}
        </button>
        <button type="button" className="plain" onClick={() => window.print()}>
          {words.group.print}
        </button>
      </div>
    </section>
  );
}
