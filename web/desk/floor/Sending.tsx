import { Button } from "../pieces/Button.tsx";
import type { TapsKnown } from "./tapBox.ts";

/** Whether taps reach the server; nothing while all of them do. */
export function Sending({ known, onRetry }: { readonly known: TapsKnown; readonly onRetry: () => void }) {
  if (known.refused)
    return (
      <p role="alert" className="trouble">
        {known.refused} Nothing is lost: {known.unsent} {known.unsent === 1 ? "tap waits" : "taps wait"} on this tablet.{" "}
        <Button onClick={onRetry}>Send again</Button>
      </p>
    );
  if (known.online) return null;
  return (
    <p role="status" className="floor-offline">
      No connection to the server. Go on: {known.unsent === 1 ? "1 tap is" : `${known.unsent} taps are`} kept on this tablet and sent by
      itself.
    </p>
  );
}
