import type { FieldClash } from "@lampcrate/core";
import { Button } from "./Button.tsx";

interface ClashNoticeProps {
  readonly clashes: readonly FieldClash[];
  readonly onTakeTheirs: () => void;
}

/** What somebody else saved of the fields that are typed over here. */
export function ClashNotice({ clashes, onTakeTheirs }: ClashNoticeProps) {
  if (clashes.length === 0) return null;
  return (
    <div role="alert" className="trouble">
      Somebody saved this meanwhile, and changed what you are changing: {clashes.map(said).join("; ")}. Saving puts yours in its place.{" "}
      <Button size="small" onClick={onTakeTheirs}>
        Take theirs
      </Button>
    </div>
  );
}

function said({ place, theirs }: FieldClash): string {
  const what =
    place
      .at(-1)
      ?.replace(/([A-Z])/g, " $1")
      .toLowerCase() ?? "";
  return typeof theirs === "string" || typeof theirs === "number"
    ? `${what} is ${theirs} there`
    : theirs === undefined
      ? "a line is gone there"
      : what;
}
