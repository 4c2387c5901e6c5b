import { type KeyboardEvent, useRef, useState } from "react";

/** What the box is and what it does; spread over an input. */
export interface Typed {
  /** What stands in the box: as typed, or as the value is shown. */
  readonly text: string;
  /** How to mend what can't be read; null while nothing is wrong. */
  readonly trouble: string | null;
  readonly type: (text: string) => void;
  /** Takes what was typed; false when it was refused, and stays. */
  readonly commit: () => boolean;
  /** Enter keeps, Escape puts the value back. */
  readonly onKeyDown: (event: KeyboardEvent) => void;
}

interface Held {
  readonly text: string;
  /** Why it was refused, and what the box showed then; null while it is being typed. */
  readonly refused: { readonly words: string; readonly over: string } | null;
}

/**
 * Text typed over a shown value, until it is kept. What is being typed outlives any change of the value; what was refused
 * goes once the value changes otherwise. `take` takes it, or says how to mend it.
 */
export function useTyped(shown: string, take: (typed: string) => string | null): Typed {
  const [kept, setKept] = useState<Held | null>(null);
  // What is held right now: Enter moves the focus on, and the blur that follows comes before the next rendering.
  const now = useRef<Held | null>(null);
  const hold = (next: Held | null): void => {
    now.current = next;
    setKept(next);
  };
  const held = kept?.refused && kept.refused.over !== shown ? null : kept;
  const commit = (): boolean => {
    const typed = held && now.current;
    if (!typed) return true;
    const words = typed.text.trim() === shown.trim() ? null : take(typed.text);
    hold(words === null ? null : { text: typed.text, refused: { words, over: shown } });
    return words === null;
  };
  return {
    text: held?.text ?? shown,
    trouble: held?.refused?.words ?? null,
    type: (text) => hold({ text, refused: null }),
    commit,
    onKeyDown: (event) => {
      if (event.key === "Enter") commit();
      if (event.key === "Escape") hold(null);
    },
  };
}
