import { useEffect } from "react";

/** A key and what it does, in words, as `?` lists it. */
export interface Key {
  readonly key: string;
  readonly words: string;
  readonly act: () => void;
}

const listed = new Set<readonly Key[]>();

/** All keys that work right now. */
export function activeKeys(): readonly Key[] {
  return [...listed].flat();
}

/** Makes keys work while the component is there; never while somebody types or a dialog is open. */
export function useKeys(keys: readonly Key[]): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        event.defaultPrevented ||
        isTyping(event.target) ||
        document.querySelector("[role=dialog]")
      )
        return;
      const found = keys.find((key) => key.key === event.key);
      if (!found) return;
      event.preventDefault();
      found.act();
    };
    listed.add(keys);
    window.addEventListener("keydown", onKey);
    return () => {
      listed.delete(keys);
      window.removeEventListener("keydown", onKey);
    };
  }, [keys]);
}

function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && (target.isContentEditable || ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName));
}
