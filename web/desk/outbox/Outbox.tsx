import { type LetterKind, letterKinds, type OutboxLine } from "@lampcrate/contract";
import { keepPreviousData, useInfiniteQuery, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Button } from "../pieces/Button.tsx";
import { Choose } from "../pieces/Choose.tsx";
import { DataTable } from "../pieces/DataTable.tsx";
import { LinkButton } from "../pieces/LinkButton.tsx";
import { Opening } from "../pieces/Opening.tsx";
import { whenIn } from "../pieces/whenIn.ts";
import { houseQuery, outboxQuery } from "../queries.ts";
import { useBriefWork } from "../work/RunContext.ts";
import "./outbox.css";

const kindWords: Readonly<Record<LetterKind, string>> = {
  question: "a question",
  thanks: "thanks",
  reminder: "entries close soon",
  reveal: "the reveal is up",
  won: "they have won",
};

/** What a run's families were written, to be read and taken elsewhere: nothing of it is ever sent. */
export function Outbox() {
  const { run } = useBriefWork();
  const zone = useQuery(houseQuery).data?.zone ?? "UTC";
  const [kind, setKind] = useState<LetterKind | "all">("all");
  const outbox = useInfiniteQuery({ ...outboxQuery(run.id, kind), placeholderData: keepPreviousData });
  const { total = 0, counts } = outbox.data?.pages[0] ?? {};
  const all = Object.values(counts ?? {}).reduce((sum, n) => sum + n, 0);
  return (
    <main className="page">
      <section className="sheet pad stack" aria-label="Letters to families">
        <div className="row spread">
          <h2>Letters to families</h2>
          <div className="row">
            <LinkButton to={`/run/${run.id}/sift`}>Back to sifting</LinkButton>
            {all > 0 ? (
              <Button href={`/api/runs/${run.id}/outbox.mbox`} download="outbox.mbox">
                Export all as a mailbox (.mbox)
              </Button>
            ) : null}
          </div>
        </div>
        <p className="soft">
          Nothing is sent: the house knows no address. A family finds its letters behind its private link, a group's leader behind theirs.
        </p>
        {outbox.isLoadingError ? (
          <p role="alert" className="trouble">
            {outbox.error.message}
          </p>
        ) : null}
        {outbox.isPending ? <Opening part what="the letters" /> : null}
        {outbox.data && all === 0 ? (
          <p>
            No letters yet. Thanks are written within a minute of an entry, reminders in the morning of their days (House, “How you
            gather”), and that the reveal is up in the morning of its day. A question is asked in Sift.
          </p>
        ) : null}
        {counts && all > 0 ? (
          <>
            <Choose
              label="Which letters"
              value={kind}
              width={260}
              options={[
                { value: "all", label: `all: ${all}` },
                ...letterKinds.map((one) => ({ value: one, label: `${kindWords[one]}: ${counts[one]}` })),
              ]}
              onChoose={setKind}
            />
            <Letters runId={run.id} zone={zone} lines={outbox.data?.pages.flatMap(({ lines }) => lines) ?? []} />
          </>
        ) : null}
        {outbox.hasNextPage ? (
          <div>
            <Button loading={outbox.isFetchingNextPage} onClick={() => void outbox.fetchNextPage()}>
              {`Show more: ${outbox.data?.pages.reduce((sum, { lines }) => sum + lines.length, 0)} of ${total} are here`}
            </Button>
          </div>
        ) : null}
      </section>
    </main>
  );
}

function Letters({ runId, zone, lines }: { readonly runId: string; readonly zone: string; readonly lines: readonly OutboxLine[] }) {
  const when = whenIn(zone);
  return (
    <DataTable
      label="Letters"
      rowKey="id"
      rows={lines}
      columns={[
        { title: "To", key: "to", rowScope: "row", render: (_, line) => toWords(line) },
        { title: "What", dataIndex: "kind", render: (kind: LetterKind) => kindWords[kind] },
        { title: "Subject", dataIndex: "subject" },
        { title: "In", dataIndex: "language", render: (id: string) => languages.of(id) ?? id },
        { title: "When", dataIndex: "at", render: (at: number) => when.format(at) },
      ]}
      expandable={{
        columnTitle: <span className="unseen">What it says</span>,
        expandedRowRender: ({ id, body }) => (
          <div className="stack">
            <p className="letter-body">{body}</p>
            <div>
              <Button size="small" href={`/api/runs/${runId}/outbox/${id}`} download={`${id}.eml`}>
                Export this one (.eml)
              </Button>
            </div>
          </div>
        ),
      }}
    />
  );
}

const languages = new Intl.DisplayNames("en", { type: "language" });

const toWords = ({ alias, builders }: OutboxLine): string => alias ?? `the leader of ${builders} builders`;
