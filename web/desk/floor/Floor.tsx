import type { FloorDoc } from "@lampcrate/contract";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useParams } from "react-router";
import { Button } from "../pieces/Button.tsx";
import { LinkButton } from "../pieces/LinkButton.tsx";
import { LockedWhen, useMay } from "../pieces/Lock.tsx";
import { Opening } from "../pieces/Opening.tsx";
import { floorQuery } from "../queries.ts";
import { Builds } from "./Builds.tsx";
import { FloorTop } from "./FloorTop.tsx";
import { Kits } from "./Kits.tsx";
import { keepFloor } from "./keeper/keepFloor.ts";
import { NoteDialog, type NoteKind, noteWords } from "./NoteDialog.tsx";
import { PartyIn } from "./PartyIn.tsx";
import { ResultDialog } from "./ResultDialog.tsx";
import { Rigs } from "./Rigs.tsx";
import { whyReadOnly } from "./readOnly.ts";
import { Sending } from "./Sending.tsx";
import { type Floor as FloorHeld, useFloor } from "./useFloor.ts";
import "./floor.css";

/** The floor of one session while it goes on, for a tablet in one hand. */
export function Floor() {
  const { session = "" } = useParams();
  const doc = useQuery(floorQuery(session));
  if (doc.data) return <Held doc={doc.data} />;
  return doc.error ? (
    <main className="page">
      <p role="alert" className="trouble">
        {doc.error.message}
      </p>
      <LinkButton to="/floor">Other sessions</LinkButton>
    </main>
  ) : (
    <Opening what="the floor" />
  );
}

function Held({ doc }: { readonly doc: FloorDoc }) {
  const held = useFloor(doc);
  const readOnly = whyReadOnly(doc, held.now, useMay()("count"));
  useKeptFloor(doc);
  const [asked, setAsked] = useState<{ readonly result: string } | { readonly note: NoteKind } | null>(null);
  const { floor, tap } = held;
  const unit = asked && "result" in asked ? floor.units.find(({ id }) => id === asked.result) : undefined;
  return (
    <main className="floor">
      <FloorTop held={held} />
      {readOnly === null ? null : (
        <p role="status" className="floor-offline">
          {readOnly} <LinkButton to="/floor">Other sessions</LinkButton>
        </p>
      )}
      <Sending known={held.known} onRetry={held.retry} />
      <LockedWhen locked={readOnly !== null}>
        <div className="floor-parts">
          <div className="floor-left">
            <PartyIn held={held} />
            <Kits held={held} />
          </div>
          <Rigs held={held} onResult={(result) => setAsked({ result })} />
          <Builds held={held} />
        </div>
        <section className="floor-notes" aria-label="Write down">
          {(Object.keys(noteWords) as NoteKind[]).map((note) => (
            <Button key={note} className="floor-key" onClick={() => setAsked({ note })}>
              {noteWords[note].button}
              {count(held, note)}
            </Button>
          ))}
          <LinkButton className="floor-key" to={`/floor/${doc.session.id}/close`}>
            Close the day
          </LinkButton>
        </section>
      </LockedWhen>
      {unit ? (
        <ResultDialog
          doc={doc}
          unit={unit}
          onClose={() => setAsked(null)}
          onKeep={(body) => {
            tap({ kind: "result", unit: unit.id, ...body });
            setAsked(null);
          }}
          onPhoto={(yes) => tap({ kind: "photo", unit: unit.id, yes })}
        />
      ) : null}
      {asked && "note" in asked ? (
        <NoteDialog
          kind={asked.note}
          kit={doc.kit}
          onClose={() => setAsked(null)}
          onKeep={(words) => {
            tap({ kind: asked.note, words });
            setAsked(null);
          }}
        />
      ) : null}
    </main>
  );
}

function count({ floor }: FloorHeld, kind: NoteKind): string {
  const n = floor.notes.filter((note) => note.kind === kind).length;
  return n === 0 ? "" : ` (${n})`;
}

/** Keeps this floor on the tablet, to be opened again without a connection. */
function useKeptFloor(doc: FloorDoc): void {
  const queries = useQueryClient();
  useEffect(() => void keepFloor(queries, doc.session.id), [queries, doc]);
}
