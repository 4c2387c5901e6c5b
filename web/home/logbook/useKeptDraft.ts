import { useEffect, useRef, useState } from "react";
import { keepDraft, keptDraft, type LogDraft, onOtherTab } from "./draft.ts";

/**
 * The logbook that this device keeps under a code, kept at every change, as another tab of it writes it too; `begin` makes
 * one of what was kept, or a new one.
 */
export function useKeptDraft(code: string, begin: (kept: LogDraft | null) => LogDraft) {
  const [draft, setDraft] = useState<LogDraft>(() => begin(keptDraft(code)));
  // What the device has as it stands here: written once more, it would undo what another tab has written since.
  const stored = useRef<LogDraft | null>(null);
  const beginning = useRef(begin);
  beginning.current = begin;
  useEffect(() => {
    const isKeptAlready = stored.current === null && keptDraft(code) !== null;
    if (isKeptAlready || stored.current === draft) return;
    const kept = keepDraft(code, draft);
    stored.current = kept;
    if (kept !== draft) setDraft(kept);
  }, [draft, code]);
  useEffect(() => {
    const take = (kept: LogDraft): void => {
      const taken = beginning.current(kept);
      stored.current = taken;
      setDraft(taken);
    };
    // Another tab may have begun it between this one's first look and now.
    const kept = stored.current === null ? keptDraft(code) : null;
    if (kept) take(kept);
    return onOtherTab(code, take);
  }, [code]);
  return [draft, setDraft] as const;
}
