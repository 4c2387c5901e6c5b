import { Link, useRouteError } from "react-router";
import { reload } from "../../shared/reloading.ts";
import { useMissingPart } from "../../shared/useMissingPart.ts";
import { Button } from "../pieces/Button.tsx";

/** Where a wrong address or a broken view ends: with a way on. */
export function Stumble() {
  const error = useRouteError();
  const missing = useMissingPart(error);
  if (missing === "looking") return null;
  if (missing !== null) return <Missing isUpdate={missing === "new version"} isOffline={missing === "no connection"} />;
  return (
    <main className="page">
      <h1>{error ? "This view stumbled" : "Nothing is here"}</h1>
      <p>
        {error
          ? "Nothing you saved is lost. Reload the page; if it happens again, tell whoever runs this house's server."
          : "The address may have a slip in it."}
      </p>
      <p>
        <Link to="/">Go to the season</Link>
      </p>
    </main>
  );
}

/** The code of a view could not be fetched. */
function Missing({ isUpdate, isOffline }: { readonly isUpdate: boolean; readonly isOffline: boolean }) {
  return (
    <main className="page stack">
      <h1>{isUpdate ? "Lamp Crate has a new version" : "This view could not be loaded"}</h1>
      <p role="alert">{isOffline ? "The server can't be reached. Try again when you are back online." : "Nothing you saved is lost."}</p>
      <p>
        <Button type="primary" onClick={() => void reload()}>
          {isUpdate ? "Open this view in it" : "Try again"}
        </Button>
      </p>
    </main>
  );
}
