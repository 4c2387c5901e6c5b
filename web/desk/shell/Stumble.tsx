import { Link, useRouteError } from "react-router";

/** Where a wrong address or a broken view ends: with a way on. */
export function Stumble() {
  const error = useRouteError();
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
