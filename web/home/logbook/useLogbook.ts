import type { SheetDoc } from "@lampcrate/contract";
import { type AskError, api, ask } from "../../shared/client.ts";
import { filledVersions } from "../../shared/logbook/versions.ts";
import { familyOf } from "../family.ts";
import { pictureEntrySent } from "../pictures/album.ts";
import { answersTo } from "../rules.ts";
import { useSendOnce } from "../sending/useSendOnce.ts";
import { entryOf, keepSent, type LogDraft, newDraft, pictureIds, saveDraft } from "./draft.ts";
import { useKeptDraft } from "./useKeptDraft.ts";

/** A logbook on the device, and its way to the house. */
export interface Book {
  readonly draft: LogDraft;
  /** False while this device could not save the draft. */
  readonly stored: boolean;
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
  const { draft, setDraft, stored } = useKeptDraft(sheet.code, (kept) => {
    if (kept === null || kept.sent !== null) return kept ?? fresh();
    return { ...kept, answers: answersTo(sheet, kept.answers) };
  });

  const { send, sending, trouble } = useSendOnce({
    draft,
    keepSending: () => saveDraft(sheet.code, { ...draft, sending: true }),
    outgoing: () => ({ code: sheet.code, entry: entryOf(draft) }),
    post: () => ask(api.public.runs[":code"].entries.$post({ param: { code: sheet.code }, json: entryOf(draft) })),
    onTaken: async ({ alias }) => {
      await pictureEntrySent(draft.secret, pictureIds(filledVersions(draft.versions)));
      setDraft((now) => ({ ...now, sent: { alias }, sending: false }));
    },
    onRefused: (comesAgain) => setDraft((now) => ({ ...now, sending: comesAgain })),
  });

  return {
    draft,
    stored,
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
