import { useNewVersion } from "../shared/build.ts";
import { reload } from "../shared/reloading.ts";
import { useWords } from "../shared/words/useWords.ts";

/** A quiet notice that there is a newer version of the page; drafts are written to the device as they are typed. */
export function NewVersion() {
  const { newVersion, openNewVersion } = useWords().common;
  if (!useNewVersion()) return null;
  return (
    <p role="status" className="new-version no-print">
      {newVersion}{" "}
      <button type="button" className="plain" onClick={() => void reload()}>
        {openNewVersion}
      </button>
    </p>
  );
}
