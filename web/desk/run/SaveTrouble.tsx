import { lazy, Suspense } from "react";
import { useRunWork } from "./RunContext.ts";

const SignInForm = lazy(async () => ({ default: (await import("../shell/SignIn.tsx")).SignInForm }));

/** What stands between the draft and the server, and the ways on. Nothing typed is lost. */
export function SaveTrouble() {
  const { draft, headsTrouble } = useRunWork();
  const { state } = draft;
  if (headsTrouble !== null && state.kind === "saved") {
    return (
      <p className="trouble" role="alert" style={{ margin: "10px 20px 0" }}>
        The heads are not saved yet: {headsTrouble} Move the dial again to try once more.
      </p>
    );
  }
  if (state.kind === "refused") {
    return (
      <section className="trouble" role="alert" style={{ margin: "10px 20px 0" }}>
        <p>{state.words}</p>
        <button type="button" className="second" onClick={draft.retry}>
          Try again
        </button>
      </section>
    );
  }
  if (state.kind === "signed out") {
    return (
      <section className="plain-words" role="alert" style={{ margin: "10px 20px 0", maxWidth: 420 }}>
        <p>
          <strong>Your sign-in has ended.</strong> What you typed is still here. Sign in again and it is saved.
        </p>
        <Suspense>
          <SignInForm onDone={draft.retry} />
        </Suspense>
      </section>
    );
  }
  if (state.kind !== "stale") return null;
  return (
    <section className="trouble" role="alert" style={{ margin: "10px 20px 0" }}>
      <p>
        <strong>Somebody saved this brief while you worked on it, so yours is not saved yet.</strong>
      </p>
      <ul style={{ margin: "4px 0 8px" }}>
        {state.changed.map((words) => (
          <li key={words}>{words}</li>
        ))}
        {state.changed.length === 0 ? <li>The brief was changed.</li> : null}
      </ul>
      <div className="row">
        <button type="button" className="second" onClick={draft.keepMine}>
          Save mine over it
        </button>
        <button type="button" className="second" onClick={draft.takeTheirs}>
          Take theirs, drop mine
        </button>
      </div>
    </section>
  );
}
