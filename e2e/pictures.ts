import sharp from "sharp";

/** A photo as a phone writes it, larger than is kept: on its side, with a place and the phone's name in it. JPEG. */
export function phonePhoto(hue = "#2a7f8a"): Promise<Buffer> {
  return sharp({ create: { width: 2600, height: 1800, channels: 3, background: hue } })
    .withExif({
      IFD0: { Make: "Somebody's phone", Model: "Kitchen 3" },
      IFD3: { GPSLatitudeRef: "N", GPSLatitude: "51/1 30/1 0/1", GPSLongitudeRef: "E", GPSLongitude: "6/1 30/1 0/1" },
    })
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toBuffer();
}

/** What a picture's own bytes tell beside it. */
export async function writtenIn(bytes: Buffer): Promise<{ readonly width: number; readonly height: number; readonly exif: boolean }> {
  const { width, height, exif } = await sharp(bytes).metadata();
  return { width, height, exif: exif !== undefined };
}
