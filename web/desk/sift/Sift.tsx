import type { EntryDoc } from "@lampcrate/contract";
import { isUnflagged } from "@lampcrate/core";
import { type RefObject, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import { Button } from "../pieces/Button.tsx";
import { FocusIn } from "../pieces/FocusIn.tsx";
import { useKeys } from "../pieces/keys.ts";
import { LinkButton } from "../pieces/LinkButton.tsx";
import { Opening } from "../pieces/Opening.tsx";
import { useBriefWork } from "../work/RunContext.ts";
import { StepDesk } from "../work/StepDesk.tsx";
import { useAskFor } from "./askFor.ts";
import { EntryView } from "./EntryView.tsx";
import { Evidence } from "./Evidence.tsx";
import { KeyIn } from "./KeyIn.tsx";
import { Together } from "./Together.tsx";
import "./sift.css";
import { useSifting } from "./useSifting.ts";

/** Look at what families sent, oldest first; accept or set aside by a key. Nothing unsifted is public. */
export function Sift() {
  const { run } = useBriefWork();
  const { entries, list, current, choose, move, decideSeen, trouble, ...sifting } = useSifting(run.id, useSearchParams()[0].get("entry"));
  const why = useRef<HTMLInputElement>(null);
  const [keying, setKeying] = useState(false);
  const [together, setTogether] = useState(false);
  const { words: suggested } = useAskFor(current, run.units);
  useKeys([
    { key: "a", words: "accept", act: () => decideSeen("accepted") },
    { key: "s", words: "set aside: type why, Enter does it", act: () => why.current?.focus() },
    { key: "k", words: "ask the family about what is odd", act: () => void sifting.askThem(suggested) },
    { key: "ArrowDown", words: "next entry", act: () => move(1), repeats: true },
    { key: "ArrowUp", words: "entry before", act: () => move(-1), repeats: true },
  ]);
  const evidence = <Evidence runId={run.id} entry={current} units={run.units} />;
  return (
    <StepDesk beside="Evidence" panel={evidence}>
      {keying ? (
        <FocusIn>
          <KeyIn onDone={() => setKeying(false)} />
        </FocusIn>
      ) : null}
      {together ? <Together list={list} onDone={() => setTogether(false)} /> : null}
      <Entries
        onTogether={together ? null : () => setTogether(true)}
        onKeyIn={keying ? null : () => setKeying(true)}
        sifting={{ entries, list, current, choose, trouble, ...sifting }}
        whyBox={why}
      />
    </StepDesk>
  );
}

interface EntriesProps {
  readonly sifting: Omit<ReturnType<typeof useSifting>, "move" | "decideSeen">;
  readonly whyBox: RefObject<HTMLInputElement | null>;
  /** null: it is open already. */
  readonly onKeyIn: (() => void) | null;
  readonly onTogether: (() => void) | null;
}

function Entries({ sifting, whyBox, onKeyIn, onTogether }: EntriesProps) {
  const { run } = useBriefWork();
  const { entries, list, current, choose, trouble } = sifting;
  if (entries.isPending) return <Opening part what="the entries" />;
  if (entries.isLoadingError)
    return (
      <p role="alert" className="trouble">
        {entries.error.message}
      </p>
    );
  if (list.length === 0)
    return (
      <section className="sheet pad">
        <h2>No entries yet</h2>
        <p>
          {run.status === "published"
            ? `Families send them with the code ${run.code}. They wait here until somebody has looked at them.`
            : "Publish the run, and families can send what they measured."}
        </p>
        {run.status === "published" && onKeyIn ? <Button onClick={onKeyIn}>Key in one from paper</Button> : null}
      </section>
    );
  const unflagged = list.filter(isUnflagged).length;
  const { waiting = 0, total = 0 } = entries.data?.pages[0] ?? {};
  return (
    <section className="sheet" aria-label="Entries">
      <div className="row spread pad ruled">
        <h2>{waiting === 0 ? "Everything is sifted" : `${waiting} waiting`}</h2>
        <span className="soft small">
          {onTogether && unflagged > 1 ? (
            <Button type="text" size="small" onClick={onTogether}>
              {unflagged} with nothing to look at
            </Button>
          ) : null}{" "}
          {onKeyIn ? (
            <Button type="text" size="small" onClick={onKeyIn}>
              Key in one from paper
            </Button>
          ) : null}{" "}
          <LinkButton type="text" size="small" to={`/run/${run.id}/outbox`}>
            Letters
          </LinkButton>{" "}
          <kbd>a</kbd> accept <kbd>s</kbd> set aside <kbd>k</kbd> ask <kbd>u</kbd> undo <kbd>↑</kbd> <kbd>↓</kbd> move
        </span>
      </div>
      {trouble === null ? null : (
        <p role="alert" className="trouble">
          {trouble.message}
        </p>
      )}
      <div className="sift">
        <ul className="sift-list" aria-label="All entries">
          {list.map((entry) => (
            <li key={entry.id}>
              <button type="button" aria-current={entry.id === current?.id} onClick={() => choose(entry.id)}>
                <strong>{entry.alias}</strong>
                <div className="small soft">
                  {entry.state}
                  {askedWords(entry)}
                  {oddCount(entry) > 0 ? <span className="flagged">, {oddCount(entry)} to look at</span> : null}
                </div>
              </button>
            </li>
          ))}
          {entries.hasNextPage ? (
            <li>
              <Button block loading={entries.isFetchingNextPage} onClick={() => void entries.fetchNextPage()}>
                {`Show more: ${list.length} of ${total} are here`}
              </Button>
            </li>
          ) : null}
        </ul>
        {current ? <EntryView entry={current} sifting={sifting} whyBox={whyBox} /> : null}
      </div>
    </section>
  );
}

/** Whether its family was asked, and has answered. */
function askedWords({ asks }: EntryDoc): string {
  const last = asks.at(-1);
  return last === undefined ? "" : last.answer === null ? ", asked" : ", answered";
}

const oddCount = (entry: EntryDoc): number =>
  entry.versions.flatMap((version) => version.trials).filter((trial) => trial.flag !== null).length;
