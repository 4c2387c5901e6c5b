import { useEffect } from "react";
import { useWords } from "../shared/words/useWords.ts";

/** Says that this device could not save what is typed, and what to do; nothing where it is saved. Leaving the page then asks first. */
export function NotSaved({ stored, what = "what" }: { readonly stored: boolean; readonly what?: "what" | "group" }) {
  const { notSaved } = useWords();
  useEffect(() => {
    if (stored) return;
    const ask = (event: BeforeUnloadEvent): void => event.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [stored]);
  if (stored) return null;
  return (
    <div role="alert" className="ask stacked">
      <p>
        <strong>{notSaved.title}</strong> {notSaved[what]}
      </p>
      <div className="buttons">
        <button
          type="button"
          className="plain"
          onClick={() => document.getElementById(what === "group" ? "send-group" : "send")?.scrollIntoView()}
        >
          {notSaved.send}
        </button>
        <button type="button" className="plain" onClick={() => print()}>
          {notSaved.print}
        </button>
      </div>
    </div>
  );
}
