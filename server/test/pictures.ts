import sharp, { type Sharp } from "sharp";
import type { TestHouse } from "./house.ts";

/** An id of a picture as devices make them. */
export const pictureId = (name: string): string => `picture-${name}-`.padEnd(24, "z");

/** A still picture: a grey ground, its upper left quarter red. */
export async function still(width: number, height: number): Promise<Sharp> {
  const red = await sharp({ create: { width: Math.ceil(width / 2), height: Math.ceil(height / 2), channels: 3, background: "#c00000" } })
    .png()
    .toBuffer();
  return sharp({ create: { width, height, channels: 3, background: "#808080" } }).composite([{ input: red, left: 0, top: 0 }]);
}

/** A photo as a phone writes it: on its side, with the place and the phone's name in it. */
export async function phonePhoto(width = 1200, height = 800): Promise<Buffer> {
  return (await still(width, height))
    .withExif({
      IFD0: { Make: "Somebody's phone", Model: "Kitchen 3" },
      IFD3: { GPSLatitudeRef: "N", GPSLatitude: "51/1 30/1 0/1", GPSLongitudeRef: "E", GPSLongitude: "6/1 30/1 0/1" },
    })
    .withMetadata({ orientation: 6 })
    .jpeg({ quality: 90 })
    .toBuffer();
}

/** Sends a picture's bytes as a device does. */
export async function sendPicture(
  house: TestHouse,
  secret: string,
  id: string,
  bytes: Uint8Array,
): Promise<{ readonly status: number; readonly body: unknown }> {
  const answer = await house.app.request(`/api/public/mine/pictures/${id}`, {
    method: "PUT",
    headers: { "x-entry-secret": secret, "content-type": "image/jpeg" },
    body: new Uint8Array(bytes),
  });
  return { status: answer.status, body: await answer.json() };
}

/** The bytes of a picture as somebody is given it; null where they are not. */
export async function givenPicture(house: TestHouse, path: string, headers: Record<string, string> = {}): Promise<Buffer | null> {
  const answer = await house.app.request(path, { headers });
  return answer.ok ? Buffer.from(await answer.arrayBuffer()) : null;
}
