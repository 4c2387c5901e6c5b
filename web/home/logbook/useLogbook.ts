import type { SheetDoc } from "@lampcrate/contract";
import { useCallback, useEffect, useRef, useState } from "react";
import { AskError, api, ask } from "../../shared/client.ts";
import { familyOf } from "../family.ts";
import { entryOf, keepDraft, keptDraft, type LogDraft, newDraft } from "./draft.ts";

/** A logbook on the device, and its way to the house. */
export interface Book {
  readonly draft: LogDraft;
  readonly change: (patch: Partial<LogDraft>) => void;
  readonly send: () => Promise<void>;
  readonly sending: boolean;
  readonly trouble: AskError | null;
  readonly startOver: () => void;
}

/** Keeps the draft on the device at every change, sends it once, and tries again when the line comes back. */
export function useLogbook(sheet: SheetDoc): Book {
  const family = familyOf(sheet.brief.family);
  const fresh = (): LogDraft => newDraft(family, sheet.brief.spec, sheet.brief.trials);
  const [draft, setDraft] = useState<LogDraft>(() => keptDraft(sheet.code) ?? fresh());
  const [sending, setSending] = useState(false);
  const [trouble, setTrouble] = useState<AskError | null>(null);
  const busy = useRef(false);
  useEffect(() => keepDraft(sheet.code, draft), [draft, sheet.code]);

  const send = useCallback(async (): Promise<void> => {
    if (busy.current) return;
    busy.current = true;
    setSending(true);
    setTrouble(null);
    try {
      const { alias } = await ask(api.public.runs[":code"].entries.$post({ param: { code: sheet.code }, json: entryOf(draft) }));
      setDraft((now) => ({ ...now, sent: { alias } }));
    } catch (error) {
      if (!(error instanceof AskError)) throw error;
      setTrouble(error);
    } finally {
      busy.current = false;
      setSending(false);
    }
  }, [draft, sheet.code]);

  const waits = trouble?.offline === true;
  useEffect(() => {
    if (!waits) return;
    const again = (): void => void send();
    window.addEventListener("online", again);
    return () => window.removeEventListener("online", again);
  }, [waits, send]);

  return {
    draft,
    change: (patch) => setDraft((now) => ({ ...now, ...patch })),
    send,
    sending,
    trouble,
    startOver: () => setDraft(fresh()),
  };
}
