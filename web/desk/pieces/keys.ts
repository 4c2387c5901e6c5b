import { useEffect, useRef } from "react";

/** A key and what it does, in words, as `?` lists it. */
export interface Key {
  readonly key: string;
  readonly words: string;
  readonly act: () => void;
  /** Whether holding it down goes on acting; else it acts once a press. */
  readonly repeats?: boolean;
  /** Pressed with Ctrl, or the Mac's own. */
  readonly ctrl?: boolean;
}

const listed = new Set<{ readonly current: readonly Key[] }>();

/** All keys that work right now. */
export function activeKeys(): readonly Key[] {
  return [...listed].flatMap((keys) => keys.current);
}

/** Makes keys work while the component is there; never while somebody types or a dialog is open. */
export function useKeys(keys: readonly Key[]): void {
  const now = useRef(keys);
  useEffect(() => {
    now.current = keys;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.altKey || event.defaultPrevented || isTyping(event.target) || document.querySelector("[role=dialog]")) return;
      const ctrl = event.ctrlKey || event.metaKey;
      const found = now.current.find((key) => key.key === event.key && (key.ctrl ?? false) === ctrl);
      if (!found) return;
      event.preventDefault();
      if (!event.repeat || found.repeats) found.act();
    };
    listed.add(now);
    window.addEventListener("keydown", onKey);
    return () => {
      listed.delete(now);
      window.removeEventListener("keydown", onKey);
    };
  }, []);
}

function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && (target.isContentEditable || ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName));
}
