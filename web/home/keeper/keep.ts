import { api } from "../../shared/client.ts";
import { languageFile, sheetCache, syncName } from "./names.ts";

/** Has the family pages kept on this device from now on. Does nothing where the browser keeps none. */
export async function keepPages(): Promise<void> {
  if (!import.meta.env.PROD || !("serviceWorker" in navigator)) return;
  try {
    await navigator.serviceWorker.register("/keeper.js", { scope: "/h" });
  } catch {
    // Private windows may keep nothing: the pages work as long as there is a line.
  }
}

/** Keeps a challenge on this device: its page, its sheet and its code, and the language it is read in. The first page was there before anything could keep it. */
export async function keepSheet(code: string): Promise<void> {
  if (!("caches" in window) || !("serviceWorker" in navigator)) return;
  await navigator.serviceWorker.ready;
  const param = { code };
  const fetched = performance.getEntriesByType("resource").map(({ name }) => name);
  const wanted = [
    ...fetched.filter((name) => languageFile.test(new URL(name).pathname)),
    `/h/${code}`,
    api.public.runs[":code"].$url({ param }).href,
    api.public.runs[":code"]["qr.svg"].$url({ param }).href,
  ];
  try {
    const kept = await caches.open(sheetCache);
    for (const one of wanted) if (!(await kept.match(one))) await kept.add(one);
  } catch {
    // Without a line, or without room, it is kept another time.
  }
}

interface SyncRegistration extends ServiceWorkerRegistration {
  readonly sync?: { readonly register: (name: string) => Promise<void> };
}

/** Asks the browser to send what is left once there is a line, with every page closed too, where it can. */
export async function sendLater(): Promise<void> {
  try {
    const registration: SyncRegistration | undefined = await navigator.serviceWorker?.getRegistration("/h");
    await registration?.sync?.register(syncName);
  } catch {
    // Then the next page that is opened here sends it.
  }
}
