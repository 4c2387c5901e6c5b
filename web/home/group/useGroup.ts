import type { GroupReceipt, GroupRow, SheetDoc } from "@lampcrate/contract";
import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { AskError, api, ask } from "../../shared/client.ts";
import { familyOf } from "../family.ts";
import { sendLater } from "../keeper/keep.ts";
import { dropOutgoing, putOutgoing } from "../sending/outgoing.ts";
import { comesAgain, useSendAgain } from "../sending/useSendAgain.ts";
import { type GroupDraft, keepGroup, keepSentGroup, keptGroup, newGroup } from "./draft.ts";
import { groupOf, readGroup } from "./read.ts";

/** Keeps a leader's sheet on the device at every change, and sends it once, whole. */
export function useGroup(sheet: SheetDoc) {
  const family = familyOf(sheet.brief);
  const queries = useQueryClient();
  const fresh = (): GroupDraft => newGroup(Math.min(3, Math.max(1, sheet.brief.outcomes.versions)));
  const [draft, setDraft] = useState<GroupDraft>(() => keptGroup(sheet.code) ?? fresh());
  const [sending, setSending] = useState(false);
  const [trouble, setTrouble] = useState<AskError | null>(null);
  const busy = useRef(false);
  useEffect(() => keepGroup(sheet.code, draft), [draft, sheet.code]);
  const read = readGroup(sheet, family, draft);

  const send = useCallback(async (): Promise<void> => {
    if (busy.current) return;
    busy.current = true;
    setSending(true);
    keepGroup(sheet.code, { ...draft, sending: true });
    const { rows } = readGroup(sheet, familyOf(sheet.brief), draft);
    const group = groupOf(draft, rows);
    await putOutgoing({ code: sheet.code, group });
    try {
      const receipt = await ask(api.public.runs[":code"].groups.$post({ param: { code: sheet.code }, json: group }));
      await dropOutgoing(draft.id);
      setTrouble(null);
      setDraft((now) => ({ ...now, sent: namesOf(rows, receipt), sending: false }));
    } catch (error) {
      if (!(error instanceof AskError)) throw error;
      setTrouble(error);
      if (comesAgain(error)) void sendLater();
      else await dropOutgoing(draft.id);
      if (!comesAgain(error)) void queries.invalidateQueries({ queryKey: ["sheet"] });
      setDraft((now) => ({ ...now, sending: comesAgain(error) }));
    } finally {
      busy.current = false;
      setSending(false);
    }
  }, [draft, sheet, queries]);
  useSendAgain(trouble, send);

  // What was being sent when the page was closed is sent on.
  const resumed = useRef(false);
  useEffect(() => {
    if (resumed.current) return;
    resumed.current = true;
    if (draft.sending && !draft.sent) void send();
  }, [draft, send]);

  return {
    draft,
    read,
    change: (patch: Partial<GroupDraft> | ((now: GroupDraft) => Partial<GroupDraft>)) =>
      setDraft((now) => ({ ...now, ...(typeof patch === "function" ? patch(now) : patch) })),
    send,
    sending,
    trouble,
    startOver: () => {
      keepSentGroup(sheet.code, draft);
      setDraft(fresh());
    },
  };
}

export type GroupBook = ReturnType<typeof useGroup>;

const namesOf = (rows: readonly GroupRow[], { aliases }: GroupReceipt): Readonly<Record<string, string>> =>
  Object.fromEntries(rows.map(({ row }, i) => [row, aliases[i] ?? ""]));
