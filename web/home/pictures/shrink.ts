import { keptSide, type PictureTrouble, pictureHead } from "@lampcrate/core";

export type Shrunk =
  | { readonly ok: true; readonly picture: Blob }
  | { readonly ok: false; readonly trouble: PictureTrouble | "unreadable here" };

/** How far a picture is pressed together: hardly seen, and a tenth of what a camera writes. */
const quality = 0.8;

/**
 * Makes a picture ready on the device, as lines are slow and cameras are not: upright, at most 2,000 points long, and
 * without anything that was written beside it.
 */
export async function shrink(file: Blob): Promise<Shrunk> {
  const head = pictureHead(new Uint8Array(await file.arrayBuffer()));
  if (!head.ok) return head;
  try {
    const whole = await createImageBitmap(file, { imageOrientation: "from-image" });
    const scale = Math.min(1, keptSide / Math.max(whole.width, whole.height));
    const canvas = document.createElement("canvas");
    canvas.width = Math.round(whole.width * scale);
    canvas.height = Math.round(whole.height * scale);
    const pen = canvas.getContext("2d");
    if (!pen) return { ok: false, trouble: "unreadable here" };
    pen.fillStyle = "#fff";
    pen.fillRect(0, 0, canvas.width, canvas.height);
    pen.imageSmoothingQuality = "high";
    pen.drawImage(whole, 0, 0, canvas.width, canvas.height);
    whole.close();
    const picture = await new Promise<Blob | null>((done) => canvas.toBlob(done, "image/jpeg", quality));
    return picture ? { ok: true, picture } : { ok: false, trouble: "unreadable here" };
  } catch {
    return { ok: false, trouble: "unreadable here" };
  }
}
