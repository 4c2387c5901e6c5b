import type { AskError } from "../../shared/client.ts";

/** What was refused, and the two ways out of a form: saving it, and leaving it with what was typed dropped. */
export function FormFoot({ trouble, onLeave }: { readonly trouble: AskError | null; readonly onLeave: () => void }) {
  return (
    <>
      {trouble ? (
        <p role="alert" className="trouble">
          {trouble.message}
          {trouble.problem.status === 409 ? " Close this and open it again to see it; what you typed stays until you do." : ""}
        </p>
      ) : null}
      <div className="row">
        <button type="submit" className="second">
          Save
        </button>
        <button type="button" className="quiet" onClick={onLeave}>
          leave it
        </button>
      </div>
    </>
  );
}
