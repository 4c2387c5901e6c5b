import { imageSize } from "image-size";

/** Pictures that are taken in. */
export const pictureTypes = ["jpg", "png", "webp"] as const;
export type PictureType = (typeof pictureTypes)[number];

/** Bytes of a picture as it is sent at most: what a phone's best camera makes. */
export const mostPictureBytes = 16 * 1024 * 1024;

/** Points of a picture at most: 64 million, such as 9,000 × 7,000. More would fill a phone's memory before it is made smaller. */
export const mostPicturePoints = 64_000_000;

/** The longer side of a picture as it is kept, points. */
export const keptSide = 2000;

/** Why a picture can't be taken. */
export const pictureTroubles = ["empty", "heavy", "not a picture", "other kind", "moving", "too many points"] as const;
export type PictureTrouble = (typeof pictureTroubles)[number];

export type PictureHead =
  | { readonly ok: true; readonly type: PictureType; readonly width: number; readonly height: number }
  | { readonly ok: false; readonly trouble: PictureTrouble };

/**
 * What a picture's first bytes say of it, before anything of it is unpacked: its kind by its own marks and never by its
 * name, its width and height in points, and whether it moves. `bytes` is the whole file.
 */
export function pictureHead(bytes: Uint8Array): PictureHead {
  if (bytes.length === 0) return no("empty");
  if (bytes.length > mostPictureBytes) return no("heavy");
  const found = sizeIn(bytes);
  if (found === null) return no("not a picture");
  const type = pictureTypes.find((one) => one === found.type);
  if (type === undefined) return no("other kind");
  if (movesIn[type](bytes)) return no("moving");
  const { width, height } = found;
  if (!(width > 0 && height > 0)) return no("not a picture");
  return width * height > mostPicturePoints ? no("too many points") : { ok: true, type, width, height };
}

const no = (trouble: PictureTrouble): PictureHead => ({ ok: false, trouble });

function sizeIn(bytes: Uint8Array): { readonly width: number; readonly height: number; readonly type: string } | null {
  try {
    const { width, height, type = "" } = imageSize(bytes);
    return { width, height, type };
  } catch {
    return null;
  }
}

/** Whether a picture has more than one frame. */
const movesIn: Readonly<Record<PictureType, (bytes: Uint8Array) => boolean>> = {
  jpg: () => false,
  // APNG: the chunk that counts its frames stands before the first piece of the picture itself (PNG, third edition, 11.3.6).
  png: (bytes) => {
    const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
    for (let at = 8; at + 8 <= bytes.length; at += 12 + view.getUint32(at)) {
      const chunk = lettersAt(bytes, at + 4);
      if (chunk === "acTL") return true;
      if (chunk === "IDAT") return false;
    }
    return false;
  },
  // Extended WebP: the second bit of its flags (WebP container, "Extended File Format").
  webp: (bytes) => lettersAt(bytes, 12) === "VP8X" && ((bytes[20] ?? 0) & 0x02) !== 0,
};

const lettersAt = (bytes: Uint8Array, at: number): string => String.fromCharCode(...bytes.subarray(at, at + 4));
