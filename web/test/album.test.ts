import { afterEach, expect, it, vi } from "vitest";
import { pictureEntrySent, pictureHere, putPicture } from "../home/pictures/album.ts";
import { sendPictures } from "../home/pictures/sendPictures.ts";

/** A private window that keeps no Blobs, as WebKit's does. */
const device = vi.hoisted(() => new Map<string, unknown>());
vi.mock("idb-keyval", () => ({
  createStore: () => null,
  get: async (key: string) => device.get(key),
  set: async (key: string, value: object) => {
    if (Object.values(value).some((part) => part instanceof Blob)) throw new DOMException("no Blobs here", "UnknownError");
    device.set(key, structuredClone(value));
  },
  del: async (key: string) => void device.delete(key),
  entries: async () => [...device.entries()],
  update: async (key: string, change: (now: unknown) => unknown) => void device.set(key, change(device.get(key))),
}));
afterEach(() => vi.unstubAllGlobals());

const photo = [0xff, 0xd8, 1, 2, 3];

it("keeps a picture where no Blobs are kept, shows it, and sends the same bytes", async () => {
  await putPicture("p1", new Blob([new Uint8Array(photo)], { type: "image/jpeg" }), "secret");
  const here = await pictureHere("p1");
  expect([here?.size, here?.type]).toEqual([5, "image/jpeg"]);
  const sent: number[][] = [];
  vi.stubGlobal("fetch", async (_: string, { body }: { readonly body: ArrayBuffer }) => {
    sent.push([...new Uint8Array(body)]);
    return new Response("{}");
  });
  await pictureEntrySent("secret", ["p1"]);
  expect(await sendPictures("secret")).toEqual({ left: 0, refused: [] });
  expect([sent, device.size]).toEqual([[photo], 0]);
});
