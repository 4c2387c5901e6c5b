import { useEffect, useRef } from "react";
import { useBriefWork } from "../work/RunContext.ts";
import "./phonePreview.css";

/** The challenge sheet as it would be on a phone if it were published now; it follows every save. */
export function PhonePreview() {
  const { run, state } = useBriefWork();
  const frame = useRef<HTMLIFrameElement>(null);
  const saved = `${run.briefRevision} ${run.revision}`;
  useEffect(() => {
    if (saved) frame.current?.contentWindow?.postMessage("saved", location.origin);
  }, [saved]);
  return (
    <aside className="sheet preview" aria-label="Phone preview">
      <div className="pad preview-head">
        <h2>On a family's phone</h2>
        <p className="soft small">
          {run.publishedVersion === null || run.changedSincePublished
            ? `As it will be once version ${(run.publishedVersion ?? 0) + 1} is published${state.kind === "saved" ? "" : "; being saved"}.`
            : `Version ${run.publishedVersion}, as they see it now.`}
        </p>
      </div>
      <div className="phone">
        <iframe ref={frame} src={`/h/preview/${run.id}`} title="Challenge sheet on a phone" />
      </div>
    </aside>
  );
}
