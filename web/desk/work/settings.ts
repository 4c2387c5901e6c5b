import { type RunDoc, type RunSettings, settingsOf } from "@lampcrate/contract";
import { AskError, api, ask } from "../../shared/client.ts";

/** A run's settings as they are saved, its revision with them. */
/**
 * Saves some of a run's settings. Where somebody else saved others meanwhile it is sent again over theirs; the same one
 * changed by both is refused. Throws an AskError.
 */
export async function saveSettings(run: RunDoc, patch: Partial<RunSettings>): Promise<RunDoc> {
  try {
    return await put(run, patch);
  } catch (error) {
    const current = error instanceof AskError && error.problem.status === 409 ? (error.problem.current as RunDoc | undefined) : undefined;
    const untouched = (key: string): boolean =>
      JSON.stringify(run[key as keyof RunSettings]) === JSON.stringify(current?.[key as keyof RunSettings]);
    if (!current || !Object.keys(patch).every(untouched)) throw error;
    return put(current, patch);
  }
}

const put = (run: RunDoc, patch: Partial<RunSettings>): Promise<RunDoc> =>
  ask(api.runs[":id"].$put({ param: { id: run.id }, json: { ...settingsOf(run), revision: run.revision, ...patch } }));
