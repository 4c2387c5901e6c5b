import { isRouteErrorResponse, useRouteError } from "react-router";
import { useMissingPart } from "../shared/useMissingPart.ts";
import { useWords } from "../shared/words/useWords.ts";

/** A page that could not be opened, mostly because the line was lost on the way to it. What was written is on the device. */
export function Stumbled() {
  const words = useWords();
  const error = useRouteError();
  const missing = useMissingPart(error);
  const nowhere = isRouteErrorResponse(error) && error.status === 404;
  if (missing === "looking") return null;
  return (
    <main className="home">
      <p role="alert" className="card">
        {nowhere ? words.common.nowhere : words.common.stumbled}
      </p>
      <div className="buttons">
        {nowhere ? null : (
          <button type="button" className="plain" onClick={() => location.reload()}>
            {words.common.retry}
          </button>
        )}
        <a className="plain" href="/h">
          {words.door.ask}
        </a>
      </div>
    </main>
  );
}
