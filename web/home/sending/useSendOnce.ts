import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { AskError } from "../../shared/client.ts";
import { sendLater } from "../keeper/keep.ts";
import { dropOutgoing, type Outgoing, putOutgoing } from "./outgoing.ts";
import { comesAgain, useSendAgain } from "./useSendAgain.ts";

interface Sending<Answer> {
  /** What was written, as it is kept: what it is on its way under, and whether it is. */
  readonly draft: { readonly id: string; readonly sending: boolean; readonly sent: unknown };
  /** Keeps it on the device as on its way: a page that is closed before the answer comes goes on when it is opened again. */
  readonly keepSending: () => void;
  readonly outgoing: () => Outgoing;
  /** Throws an AskError. */
  readonly post: () => Promise<Answer>;
  readonly onTaken: (answer: Answer) => Promise<void> | void;
  readonly onRefused: (comesAgain: boolean) => void;
}

/** Sends what was written once, however often it is pressed, and again by itself when line or server come back. */
export function useSendOnce<Answer>(given: Sending<Answer>) {
  const queries = useQueryClient();
  const [sending, setSending] = useState(false);
  const [trouble, setTrouble] = useState<AskError | null>(null);
  const busy = useRef(false);
  const latest = useRef(given);
  latest.current = given;

  const send = useCallback(async (): Promise<void> => {
    if (busy.current) return;
    busy.current = true;
    setSending(true);
    const { draft, keepSending, outgoing, post, onTaken, onRefused } = latest.current;
    keepSending();
    await putOutgoing(outgoing());
    try {
      const answer = await post();
      await dropOutgoing(draft.id);
      setTrouble(null);
      await onTaken(answer);
    } catch (error) {
      if (!(error instanceof AskError)) throw error;
      setTrouble(error);
      // A run that was closed meanwhile says so everywhere, not here alone.
      if (comesAgain(error)) void sendLater();
      else await dropOutgoing(draft.id);
      if (!comesAgain(error)) void queries.invalidateQueries({ queryKey: ["sheet"] });
      onRefused(comesAgain(error));
    } finally {
      busy.current = false;
      setSending(false);
    }
  }, [queries]);

  // What was being sent when the page was closed is sent on.
  const resumed = useRef(false);
  useEffect(() => {
    if (resumed.current) return;
    resumed.current = true;
    const { sending: wasSending, sent } = latest.current.draft;
    if (wasSending && !sent) void send();
  }, [send]);

  useSendAgain(trouble, send);
  return { send, sending, trouble };
}
