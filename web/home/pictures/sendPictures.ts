import { allPictures, dropPicture, type KeptPicture } from "./album.ts";

/** How the pictures of sent entries stand. */
export interface PicturesLeft {
  /** Still on this device: they go by themselves. */
  readonly left: number;
  /** What the house said of those that it can't take. */
  readonly refused: readonly string[];
}

/** Sends the pictures of entries that were sent, of one entry or of all. One that arrived, or never will, leaves the device. */
export async function sendPictures(secret: string | null = null): Promise<PicturesLeft> {
  const refused: string[] = [];
  let left = 0;
  for (const [id, kept] of await allPictures()) {
    if (!kept.ready || (secret !== null && kept.secret !== secret)) continue;
    const answer = await put(id, kept);
    if (answer === null) left += 1;
    else {
      await dropPicture(id);
      if (answer !== "") refused.push(answer);
    }
  }
  return { left, refused };
}

/** Sends one; gives null when it has to come again, what was said when it is not taken, and nothing to say when it is. */
async function put(id: string, { bytes, secret }: KeptPicture): Promise<string | null> {
  try {
    const answer = await fetch(`/api/public/mine/pictures/${id}`, {
      method: "PUT",
      headers: { "x-entry-secret": secret, "content-type": "image/jpeg" },
      body: bytes,
    });
    if (answer.ok) return "";
    if (answer.status >= 500 || answer.status === 429) return null;
    const { detail } = (await answer.json()) as { readonly detail?: string };
    // What was erased or taken out meanwhile is nobody's trouble.
    return answer.status === 404 || answer.status === 409 ? "" : (detail ?? "");
  } catch {
    return null;
  }
}
