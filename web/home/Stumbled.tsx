import { useWords } from "../shared/words/useWords.ts";

/** A page that could not be opened, mostly because the line was lost on the way to it. What was written is on the device. */
export function Stumbled() {
  const words = useWords();
  return (
    <main className="home">
      <p role="alert" className="card">
        {words.common.stumbled}
      </p>
      <div className="buttons">
        <button type="button" className="plain" onClick={() => location.reload()}>
          {words.common.retry}
        </button>
      </div>
    </main>
  );
}
