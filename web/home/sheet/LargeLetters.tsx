import { useState } from "react";
import { useWords } from "../../shared/words/useWords.ts";
import { keepLetters, lettersAreLarge } from "../letters.ts";

/** Letters half as large again, on the screen and on paper; the device remembers it. */
export function LargeLetters() {
  const words = useWords();
  const [large, setLarge] = useState(lettersAreLarge);
  return (
    <button
      type="button"
      className="plain"
      aria-pressed={large}
      onClick={() => {
        keepLetters(!large);
        setLarge(!large);
      }}
    >
      {words.sheet.large}
    </button>
  );
}
