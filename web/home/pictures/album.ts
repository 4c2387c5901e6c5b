import { createStore, del, entries, get, set, type UseStore, update } from "idb-keyval";

/* Pictures on the device until the house has them. localStorage, where drafts are, is too small for them. */

/** A picture on the device. */
export interface KeptPicture {
  /** Its JPEG. As bytes: some browsers keep no Blobs in a private window. */
  readonly bytes: ArrayBuffer;
  /** The private link's secret of the entry that it belongs to. */
  readonly secret: string;
  /** Its entry has been sent: it may follow. */
  readonly ready: boolean;
  /** When it was put here, by this device's clock. */
  readonly at: number;
}

let opened: UseStore | null = null;
const album = (): UseStore => {
  opened ??= createStore("lampcrate-pictures", "pictures");
  return opened;
};

/** Puts a picture on the device. Throws where the device keeps nothing. */
export async function putPicture(id: string, picture: Blob, secret: string): Promise<void> {
  const bytes = await picture.arrayBuffer();
  await set(id, { bytes, secret, ready: false, at: Date.now() } satisfies KeptPicture, album());
}

/** A picture that is still on this device; null when it isn't. */
export async function pictureHere(id: string): Promise<Blob | null> {
  try {
    const kept = await get<KeptPicture>(id, album());
    return kept ? new Blob([kept.bytes], { type: "image/jpeg" }) : null;
  } catch {
    return null;
  }
}

/** All pictures on the device, by id. */
export async function allPictures(): Promise<readonly (readonly [string, KeptPicture])[]> {
  try {
    return await entries<string, KeptPicture>(album());
  } catch {
    // A device that keeps nothing has nothing to send.
    return [];
  }
}

/** An entry was sent: those of its pictures that it names may follow, others are let go. */
export async function pictureEntrySent(secret: string, named: readonly string[]): Promise<void> {
  for (const [id, kept] of await allPictures()) {
    if (kept.secret !== secret) continue;
    if (named.includes(id)) await update<KeptPicture>(id, (now) => ({ ...(now ?? kept), ready: true }), album());
    else await dropPicture(id);
  }
}

/** Lets a picture go from this device. */
export async function dropPicture(id: string): Promise<void> {
  try {
    await del(id, album());
  } catch {
    // As above.
  }
}

/** How long a picture waits for a logbook that has lost it, ms. */
const lostMs = 2 * 86_400_000;

/** Lets pictures go whose logbook is gone from this device; those that are on their way stay. */
export async function dropLost(isKnown: (secret: string) => boolean): Promise<void> {
  for (const [id, { ready, secret, at }] of await allPictures())
    if (!ready && !isKnown(secret) && Date.now() - at > lostMs) await dropPicture(id);
}

/** Leaves none of an entry's pictures on this device. */
export async function forgetPictures(secret: string): Promise<void> {
  for (const [id, kept] of await allPictures()) if (kept.secret === secret) await dropPicture(id);
}
