import { AskError } from "../shared/client.ts";
import { useWords } from "../shared/words/useWords.ts";

/** What went wrong, in words, with a way on. */
export function Trouble({ error, onRetry }: { readonly error: Error; readonly onRetry: () => void }) {
  const words = useWords();
  const offline = error instanceof AskError && error.offline;
  return (
    <main className="home">
      <p role="alert" className="card">
        {offline ? words.common.offline : error.message}
      </p>
      <div className="buttons">
        <button type="button" className="plain" onClick={onRetry}>
          {words.common.retry}
        </button>
        <a className="plain" href="/h">
          {words.door.ask}
        </a>
      </div>
    </main>
  );
}
