import type { GroupReceipt, GroupRow, SheetDoc } from "@lampcrate/contract";
import { useEffect, useState } from "react";
import { api, ask } from "../../shared/client.ts";
import { familyOf } from "../family.ts";
import { useSendOnce } from "../sending/useSendOnce.ts";
import { type GroupDraft, keepSentGroup, keptGroup, newGroup, saveGroup } from "./draft.ts";
import { groupOf, readGroup } from "./read.ts";

/** Keeps a leader's sheet on the device at every change, and sends it once, whole. */
export function useGroup(sheet: SheetDoc) {
  const family = familyOf(sheet.brief);
  const fresh = (): GroupDraft => newGroup(Math.min(3, Math.max(1, sheet.brief.outcomes.versions)));
  const [draft, setDraft] = useState<GroupDraft>(() => keptGroup(sheet.code) ?? fresh());
  const [stored, setStored] = useState(true);
  useEffect(() => setStored(saveGroup(sheet.code, draft)), [draft, sheet.code]);
  const read = readGroup(sheet, family, draft);

  const whole = () => groupOf(draft, read.rows);
  const { send, sending, trouble } = useSendOnce({
    draft,
    keepSending: () => saveGroup(sheet.code, { ...draft, sending: true }),
    outgoing: () => ({ code: sheet.code, group: whole() }),
    post: () => ask(api.public.runs[":code"].groups.$post({ param: { code: sheet.code }, json: whole() })),
    onTaken: (receipt) => setDraft((now) => ({ ...now, sent: namesOf(read.rows, receipt), sending: false })),
    onRefused: (comesAgain) => setDraft((now) => ({ ...now, sending: comesAgain })),
  });

  return {
    draft,
    stored,
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
