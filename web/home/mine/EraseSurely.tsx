import { useState } from "react";
import { useWords } from "../../shared/words/useWords.ts";
import { focused } from "../focused.ts";

/** Erases for good, once it has been said twice. */
export function EraseSurely({ label, onErase }: { readonly label: string; readonly onErase: () => void }) {
  const words = useWords().mine;
  const [sure, setSure] = useState(false);
  if (!sure)
    return (
      <button type="button" className="plain" onClick={() => setSure(true)}>
        {label}
      </button>
    );
  return (
    <>
      <button type="button" className="plain danger" onClick={onErase}>
        {words.eraseSure}
      </button>
      <button type="button" className="plain" ref={focused} onClick={() => setSure(false)}>
        {words.keep}
      </button>
    </>
  );
}
