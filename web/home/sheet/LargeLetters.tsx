import { useSyncExternalStore } from "react";
import { useWords } from "../../shared/words/useWords.ts";
import { keepLetters, lettersAreLarge, watchLetters } from "../letters.ts";

/** Letters half as large again, on the screen and on paper; the device remembers it. */
export function LargeLetters() {
  const words = useWords();
  // The server can't know what the device remembers: it draws plain letters.
  const large = useSyncExternalStore(watchLetters, lettersAreLarge, () => false);
  return (
    <button type="button" className="plain" aria-pressed={large} onClick={() => keepLetters(!large)}>
      {words.sheet.large}
    </button>
  );
}
