import { useEffect, useState } from "react";
import { isMissingPart, isNewVersion } from "./build.ts";
import { AskError, api, ask } from "./client.ts";
import { reload } from "./reloading.ts";

/** Why a part of the page could not be fetched. */
type Why = "looking" | "new version" | "no connection" | "missing";

/** Why a view's code could not be fetched; null for any other error. After an update the page is loaded anew by itself, once. */
export function useMissingPart(error: unknown): Why | null {
  const isMissing = isMissingPart(error);
  const [why, setWhy] = useState<Why>("looking");
  useEffect(() => {
    if (!isMissing) return;
    let gone = false;
    void whyMissing().then((found) => {
      if (gone) return;
      if (found === "new version" && mayReload()) void reload();
      else setWhy(found);
    });
    return () => {
      gone = true;
    };
  }, [isMissing]);
  return isMissing ? why : null;
}

async function whyMissing(): Promise<Why> {
  try {
    await ask(api.setup.$get());
  } catch (error) {
    if (error instanceof AskError && error.offline) return "no connection";
  }
  return isNewVersion() ? "new version" : "missing";
}

const lastKey = "lampcrate opened anew";

/** Never twice within a minute: a part that is really gone would have the page load for ever. */
function mayReload(): boolean {
  try {
    const last = Number(sessionStorage.getItem(lastKey) ?? 0);
    sessionStorage.setItem(lastKey, String(Date.now()));
    return Date.now() - last > 60_000;
  } catch {
    return false;
  }
}
