import { useNewVersion } from "../../shared/build.ts";
import { reload } from "../../shared/reloading.ts";
import { Button } from "../pieces/Button.tsx";
import "./newVersion.css";

/** A quiet notice that the server has a newer version; nothing while it has not. */
export function NewVersion() {
  if (!useNewVersion()) return null;
  return (
    <p role="status" className="new-version">
      A new version of Lamp Crate is ready.{" "}
      <Button size="small" onClick={() => void reload()}>
        Save and open it
      </Button>
    </p>
  );
}
