import { clear, createStore } from "idb-keyval";
import { filledVersions } from "../../shared/logbook/versions.ts";
import { unsentGroups } from "../group/draft.ts";
import { keptDrafts, type LogDraft } from "../logbook/draft.ts";
import { sheetCache } from "./names.ts";

/** Where this device keeps what is ours besides localStorage. */
const stores = [
  ["lampcrate-pictures", "pictures"],
  ["lampcrate-outgoing", "entries"],
] as const;

/** How many logbooks and group sheets on this device have something in them and were never sent. */
export const unsentLogbooks = (): number => keptDrafts().filter((draft) => draft.sent === null && isWritten(draft)).length + unsentGroups();

const isWritten = ({ versions }: LogDraft): boolean =>
  filledVersions(versions).length > 0 || versions.some(({ changed, pictures }) => changed !== "" || pictures.length > 0);

/** Takes challenges, logbooks, pictures and private links off this device: for one that many share. What was sent stays with the house. */
export async function forgetAll(): Promise<void> {
  try {
    for (const key of Object.keys(localStorage)) if (key.startsWith("lampcrate-")) localStorage.removeItem(key);
    for (const [database, store] of stores) await clear(createStore(database, store));
    await caches.delete(sheetCache);
  } catch {
    // Where nothing is kept there is nothing to forget.
  }
}
