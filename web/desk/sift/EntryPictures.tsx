import type { EntryDoc, VersionDoc } from "@lampcrate/contract";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { useSave } from "../pieces/useSave.ts";
import { runQuery } from "../queries.ts";
import { useBriefWork } from "../work/RunContext.ts";
import { MeasurePicture } from "./MeasurePicture.tsx";
import { putSaved } from "./useSifting.ts";

interface EntryPicturesProps {
  readonly entry: EntryDoc;
  readonly version: VersionDoc;
  /** What they are of: "version 2". */
  readonly of: string;
}

/** What a family sent of one version; a picture that nobody else should see is hidden here, and only here still seen. */
export function EntryPictures({ entry, version, of }: EntryPicturesProps) {
  const { run } = useBriefWork();
  const hiding = useHiding(run.id, entry);
  const [open, setOpen] = useState<string | null>(null);
  const { pictures } = version;
  if (pictures.length === 0) return null;
  return (
    <>
      <ul className="entry-pictures" aria-label={`Pictures of ${of}`}>
        {pictures.map((picture, i) => (
          <li key={picture.id} className={picture.hidden ? "hidden-picture" : undefined}>
            {open === picture.id && picture.size ? (
              <MeasurePicture
                src={addressOf(run.id, entry.id, picture.id, "full")}
                title={`${entry.alias}, ${of}, ${picture.kind} ${i + 1}`}
                picture={{ ...picture, size: picture.size }}
                version={version}
                onClose={() => setOpen(null)}
              />
            ) : null}
            {picture.size === null ? (
              <p className="small soft">This {picture.kind} is still on the family's device.</p>
            ) : (
              <>
                <button
                  type="button"
                  className="entry-picture"
                  aria-label={`Open ${picture.kind} ${i + 1} of ${of}`}
                  onClick={() => setOpen(picture.id)}
                >
                  <img
                    width={132}
                    height={99}
                    alt={`${picture.kind} ${i + 1} of ${of}`}
                    src={addressOf(run.id, entry.id, picture.id, "small")}
                  />
                </button>
                <div className="row near">
                  <span className="small soft">{picture.hidden ? `${picture.kind}, hidden` : picture.kind}</span>
                  <Button
                    size="small"
                    type="text"
                    disabled={hiding.pending}
                    aria-label={`${picture.hidden ? "Show" : "Hide"} ${picture.kind} ${i + 1} of ${of}`}
                    onClick={() => void hiding.save({ picture: picture.id, hidden: !picture.hidden })}
                  >
                    {picture.hidden ? "show" : "hide"}
                  </Button>
                </div>
              </>
            )}
          </li>
        ))}
      </ul>
      {hiding.trouble === null ? null : (
        <p role="alert" className="trouble">
          {hiding.trouble.message}
        </p>
      )}
    </>
  );
}

const addressOf = (run: string, entry: string, picture: string, form: "small" | "full"): string =>
  `/api/runs/${run}/entries/${entry}/pictures/${picture}/${form}`;

/** Hides one of an entry's pictures, or shows it again. */
function useHiding(runId: string, entry: EntryDoc) {
  const queries = useQueryClient();
  return useSave({
    send: ({ picture, hidden }: { readonly picture: string; readonly hidden: boolean }) =>
      ask(
        api.runs[":id"].entries[":entry"].pictures[":picture"].hidden.$put({
          param: { id: runId, entry: entry.id, picture },
          json: { hidden, revision: entry.revision },
        }),
      ),
    onSaved: (saved) => putSaved(queries, runId, saved),
    renew: [{ queryKey: runQuery(runId).queryKey, exact: true }],
  });
}
