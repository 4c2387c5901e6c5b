import { useEffect, useRef, useState } from "react";
import { keptDraft, type LogDraft, onOtherTab, saveDraft } from "./draft.ts";

/**
 * The logbook that this device keeps under a code, kept at every change, as another tab of it writes it too; `begin` makes
 * one of what was kept, or a new one. `stored` is false while this device could not save it.
 */
export function useKeptDraft(code: string, begin: (kept: LogDraft | null) => LogDraft) {
  const [draft, setDraft] = useState<LogDraft>(() => begin(keptDraft(code)));
  const [stored, setStored] = useState(true);
  // What the device has as it stands here: written once more, it would undo what another tab has written since.
  const onDevice = useRef<LogDraft | null>(null);
  const beginning = useRef(begin);
  beginning.current = begin;
  useEffect(() => {
    const isKeptAlready = onDevice.current === null && keptDraft(code) !== null;
    if (isKeptAlready || onDevice.current === draft) return;
    const saved = saveDraft(code, draft);
    onDevice.current = saved.draft;
    setStored(saved.stored);
    if (saved.draft !== draft) setDraft(saved.draft);
  }, [draft, code]);
  useEffect(() => {
    const take = (kept: LogDraft): void => {
      const taken = beginning.current(kept);
      onDevice.current = taken;
      setDraft(taken);
    };
    // Another tab may have begun it between this one's first look and now.
    const kept = onDevice.current === null ? keptDraft(code) : null;
    if (kept) take(kept);
    return onOtherTab(code, take);
  }, [code]);
  return { draft, setDraft, stored };
}
