import { keptSide, mostPictureBytes, mostPicturePoints, type PictureTrouble, pictureHead } from "@lampcrate/core";
import sharp from "sharp";
import { badField, type Problem } from "../../http/problem.ts";

/** A picture as it is kept: two JPEGs, upright, without anything that was written beside it. */
export interface Developed {
  readonly width: number;
  readonly height: number;
  readonly small: Buffer;
  readonly full: Buffer;
}

/** The longer side of what lists show, points. */
const smallSide = 480;

/** How long one picture may take, s. */
const patienceS = 15;

// A picture is worked on by one thread: several at a time share the machine with those who only read.
sharp.concurrency(1);
sharp.cache(false);

const words: Readonly<Record<PictureTrouble, string>> = {
  empty: "This picture is empty. Choose it again.",
  heavy: `This picture is more than ${mostPictureBytes / 1024 / 1024} MB. Choose a smaller one.`,
  "not a picture": "This file can't be read as a picture. Choose a photo (JPEG, PNG or WebP).",
  "other kind": "Pictures of this kind are not taken. Choose a JPEG, PNG or WebP.",
  moving: "This picture moves. Choose a still one.",
  "too many points": `This picture has more than ${mostPicturePoints / 1e6} million points. Choose a smaller one.`,
};

const refused = (trouble: PictureTrouble): Problem => badField("picture", words[trouble]);

/**
 * Turns a picture upright, makes it at most 2,000 points long and leaves out all that its camera wrote beside it: place,
 * time, name. What it is is told by its own bytes; nothing of it is unpacked before it is known to be of a bearable
 * size. Off the main thread. Throws 422 at `picture`.
 */
export async function develop(bytes: Uint8Array): Promise<Developed> {
  const head = pictureHead(bytes);
  if (!head.ok) throw refused(head.trouble);
  try {
    const { data: full, info } = await sharp(bytes, { limitInputPixels: mostPicturePoints, failOn: "error" })
      .timeout({ seconds: patienceS })
      .autoOrient()
      .resize({ width: keptSide, height: keptSide, fit: "inside", withoutEnlargement: true })
      .flatten({ background: "#ffffff" })
      .toColourspace("srgb")
      .jpeg({ quality: 80 })
      .toBuffer({ resolveWithObject: true });
    const small = await sharp(full)
      .resize({ width: smallSide, height: smallSide, fit: "inside", withoutEnlargement: true })
      .jpeg({ quality: 74 })
      .toBuffer();
    return { width: info.width, height: info.height, small, full };
  } catch {
    throw refused("not a picture");
  }
}
