import type { AskError } from "../../shared/client.ts";

/** Why the server refused, every reason on a line of its own; nothing while nothing is refused. */
export function Refused({ trouble }: { readonly trouble: AskError | null }) {
  if (trouble === null) return null;
  const reasons = trouble.problem.errors?.length ? trouble.problem.errors.map((error) => error.message) : [trouble.message];
  return (
    <div role="alert" className="trouble">
      {reasons.map((words) => (
        <p key={words}>{words}</p>
      ))}
    </div>
  );
}
