import type { SheetDoc } from "@lampcrate/contract";
import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { AskError, api, ask } from "../../shared/client.ts";
import { filledVersions } from "../../shared/logbook/versions.ts";
import { familyOf } from "../family.ts";
import { sendLater } from "../keeper/keep.ts";
import { pictureEntrySent } from "../pictures/album.ts";
import { dropOutgoing, putOutgoing } from "../sending/outgoing.ts";
import { comesAgain, useSendAgain } from "../sending/useSendAgain.ts";
import { entryOf, keepDraft, keepSent, keptDraft, type LogDraft, newDraft, onOtherTab, pictureIds } from "./draft.ts";

/** A logbook on the device, and its way to the house. */
export interface Book {
  readonly draft: LogDraft;
  readonly change: (patch: Partial<LogDraft>) => void;
  readonly send: () => Promise<void>;
  readonly sending: boolean;
  readonly trouble: AskError | null;
  readonly startOver: () => void;
}

/** Keeps the draft on the device at every change, sends it once, and tries again by itself when line or server come back. */
export function useLogbook(sheet: SheetDoc): Book {
  const family = familyOf(sheet.brief);
  const fresh = (): LogDraft => newDraft(family, sheet.brief);
  const [draft, setDraft] = useState<LogDraft>(() => keptDraft(sheet.code) ?? fresh());
  const [sending, setSending] = useState(false);
  const [trouble, setTrouble] = useState<AskError | null>(null);
  const busy = useRef(false);
  const queries = useQueryClient();
  useEffect(() => {
    const kept = keepDraft(sheet.code, draft);
    if (kept !== draft) setDraft(kept);
  }, [draft, sheet.code]);
  // Two tabs on one logbook agree: what is written in one stands in the other.
  useEffect(() => onOtherTab(sheet.code, setDraft), [sheet.code]);

  const send = useCallback(async (): Promise<void> => {
    if (busy.current) return;
    busy.current = true;
    setSending(true);
    // A page that is closed before the answer comes goes on when it is opened again.
    keepDraft(sheet.code, { ...draft, sending: true });
    const entry = entryOf(draft);
    await putOutgoing({ code: sheet.code, entry });
    try {
      const { alias } = await ask(api.public.runs[":code"].entries.$post({ param: { code: sheet.code }, json: entry }));
      await dropOutgoing(draft.id);
      await pictureEntrySent(draft.secret, pictureIds(filledVersions(draft.versions)));
      setTrouble(null);
      setDraft((now) => ({ ...now, sent: { alias }, sending: false }));
    } catch (error) {
      if (!(error instanceof AskError)) throw error;
      setTrouble(error);
      // A run that was closed meanwhile says so everywhere, not here alone.
      if (comesAgain(error)) void sendLater();
      else await dropOutgoing(draft.id);
      if (!comesAgain(error)) void queries.invalidateQueries({ queryKey: ["sheet"] });
      setDraft((now) => ({ ...now, sending: comesAgain(error) }));
    } finally {
      busy.current = false;
      setSending(false);
    }
  }, [draft, sheet.code, queries]);

  // What was being sent when the page was closed is sent on.
  const resumed = useRef(false);
  useEffect(() => {
    if (resumed.current) return;
    resumed.current = true;
    if (draft.sending && !draft.sent) void send();
  }, [draft, send]);

  useSendAgain(trouble, send);

  return {
    draft,
    change: (patch) => setDraft((now) => ({ ...now, ...patch })),
    send,
    sending,
    trouble,
    startOver: () => {
      keepSent(sheet.code, draft);
      setDraft(fresh());
    },
  };
}
