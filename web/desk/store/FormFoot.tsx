import type { FieldClash } from "@lampcrate/core";
import type { AskError } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { ClashNotice } from "../pieces/ClashNotice.tsx";

interface FormFootProps {
  readonly trouble: AskError | null;
  readonly pending: boolean;
  readonly clashes: readonly FieldClash[];
  readonly onTakeTheirs: () => void;
  readonly onLeave: () => void;
}

/** What was refused, and the two ways out of a form: saving it, and leaving it with what was typed dropped. */
export function FormFoot({ trouble, pending, clashes, onTakeTheirs, onLeave }: FormFootProps) {
  return (
    <>
      <ClashNotice clashes={clashes} onTakeTheirs={onTakeTheirs} />
      {trouble && clashes.length === 0 ? (
        <p role="alert" className="trouble">
          {trouble.message}
          {trouble.problem.status === 409 ? " What was saved is joined with what you typed: save again." : ""}
        </p>
      ) : null}
      <div className="row">
        <Button htmlType="submit" loading={pending}>
          Save
        </Button>
        <Button type="text" size="small" onClick={onLeave}>
          leave it
        </Button>
      </div>
    </>
  );
}
