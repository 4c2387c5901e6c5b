import type { EntryInput, GroupInput } from "@lampcrate/contract";
import { createStore, del, entries, set, type UseStore } from "idb-keyval";
import { pictureEntrySent } from "../pictures/album.ts";
import { sendPictures } from "../pictures/sendPictures.ts";

/* Entries on their way. Pages and the worker that keeps them send from here: whichever has a line first. */

/** An entry that its family said should be sent, or a whole group that its leader did. */
export type Outgoing = { readonly code: string; readonly entry: EntryInput } | { readonly code: string; readonly group: GroupInput };

let opened: UseStore | null = null;
const store = (): UseStore => {
  opened ??= createStore("lampcrate-outgoing", "entries");
  return opened;
};

/** Notes what is to be sent; the same one again takes its place. */
export async function putOutgoing(outgoing: Outgoing): Promise<void> {
  try {
    await set("entry" in outgoing ? outgoing.entry.id : outgoing.group.id, outgoing, store());
  } catch {
    // A device that keeps nothing sends from the open page alone.
  }
}

/** It is there, or will never be taken. */
export async function dropOutgoing(id: string): Promise<void> {
  try {
    await del(id, store());
  } catch {
    // As above.
  }
}

/** Sends all that is on its way, entries before their pictures. Gives how many are left; 0 where the device keeps nothing. */
export async function sendOutgoing(): Promise<number> {
  let left = 0;
  for (const [id, outgoing] of await all()) {
    if (await post(outgoing)) await dropOutgoing(id);
    else left += 1;
  }
  return left + (await sendPictures()).left;
}

async function all(): Promise<readonly (readonly [string, Outgoing])[]> {
  try {
    return await entries<string, Outgoing>(store());
  } catch {
    return [];
  }
}

/** True once the house has it, or has said that it won't take it: then its logbook says so when it is opened. */
async function post(outgoing: Outgoing): Promise<boolean> {
  const [door, body] = "entry" in outgoing ? (["entries", outgoing.entry] as const) : (["groups", outgoing.group] as const);
  try {
    const answer = await fetch(`/api/public/runs/${encodeURIComponent(outgoing.code)}/${door}`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    });
    if (answer.ok && "entry" in outgoing)
      await pictureEntrySent(
        outgoing.entry.secret,
        outgoing.entry.versions.flatMap(({ pictures }) => pictures.map(({ id }) => id)),
      );
    return answer.ok || !(answer.status >= 500 || answer.status === 429);
  } catch {
    return false;
  }
}
