import { describe, expect, it } from "vitest";
import { mostPictureBytes, pictureHead } from "../src/index.ts";

const letters = (text: string): number[] => [...text].map((letter) => letter.charCodeAt(0));
const u32 = (value: number): number[] => [24, 16, 8, 0].map((shift) => (value >>> shift) & 0xff);

const chunk = (name: string, data: readonly number[]): number[] => [...u32(data.length), ...letters(name), ...data, 0, 0, 0, 0];

const png = (width: number, height: number, more: readonly number[] = []): Uint8Array =>
  Uint8Array.from([
    0x89,
    ...letters("PNG\r\n\x1a\n"),
    ...chunk("IHDR", [...u32(width), ...u32(height), 8, 2, 0, 0, 0]),
    ...more,
    ...chunk("IDAT", [1, 2, 3]),
  ]);

/** An extended WebP's head: flags, then width and height less one in 24 bits. */
const webp = (flags: number, width: number, height: number): Uint8Array => {
  const u24 = (value: number): number[] => [value & 0xff, (value >> 8) & 0xff, (value >> 16) & 0xff];
  return Uint8Array.from([
    ...letters("RIFF"),
    22,
    0,
    0,
    0,
    ...letters("WEBPVP8X"),
    10,
    0,
    0,
    0,
    flags,
    0,
    0,
    0,
    ...u24(width - 1),
    ...u24(height - 1),
    ...letters("VP8 "),
  ]);
};

/** A JPEG's head up to its frame. */
const jpeg = (width: number, height: number): Uint8Array =>
  Uint8Array.from([
    0xff,
    0xd8,
    0xff,
    0xe0,
    0,
    16,
    ...letters("JFIF\0"),
    1,
    1,
    0,
    0,
    1,
    0,
    1,
    0,
    0,
    0xff,
    0xc0,
    0,
    17,
    8,
    height >> 8,
    height & 0xff,
    width >> 8,
    width & 0xff,
    3,
    1,
    0x22,
    0,
    2,
    0x11,
    1,
    3,
    0x11,
    1,
  ]);

describe("what a picture's first bytes say", () => {
  it("is its kind, width and height", () => {
    expect(pictureHead(png(640, 480))).toEqual({ ok: true, type: "png", width: 640, height: 480 });
    expect(pictureHead(webp(0, 800, 300))).toEqual({ ok: true, type: "webp", width: 800, height: 300 });
    expect(pictureHead(jpeg(4000, 3000))).toEqual({ ok: true, type: "jpg", width: 4000, height: 3000 });
  });

  it("refuses what moves, and only that", () => {
    expect(pictureHead(png(64, 64, chunk("acTL", [...u32(3), ...u32(0)])))).toEqual({ ok: false, trouble: "moving" });
    expect(pictureHead(png(64, 64, chunk("tEXt", letters("acTL in words"))))).toMatchObject({ ok: true });
    expect(pictureHead(webp(0x02, 64, 64))).toEqual({ ok: false, trouble: "moving" });
    expect(pictureHead(webp(0x10, 64, 64))).toMatchObject({ ok: true });
  });

  it("refuses more points than a phone can bear, from 64 million on, before anything is unpacked", () => {
    expect(pictureHead(png(8000, 8000))).toMatchObject({ ok: true });
    expect(pictureHead(png(8001, 8000))).toEqual({ ok: false, trouble: "too many points" });
    expect(pictureHead(png(50_000, 50_000))).toEqual({ ok: false, trouble: "too many points" });
    expect(pictureHead(png(0, 10)).ok).toBe(false);
  });

  it("refuses nothing, too much, words, and kinds that are not taken", () => {
    expect(pictureHead(new Uint8Array())).toEqual({ ok: false, trouble: "empty" });
    expect(pictureHead(new Uint8Array(mostPictureBytes + 1))).toEqual({ ok: false, trouble: "heavy" });
    expect(pictureHead(Uint8Array.from(letters("<html>")))).toEqual({ ok: false, trouble: "not a picture" });
    expect(pictureHead(Uint8Array.from([...letters("GIF89a"), 9, 0, 9, 0]))).toEqual({ ok: false, trouble: "other kind" });
    expect(pictureHead(Uint8Array.from(letters('<svg width="9" height="9" xmlns="http://www.w3.org/2000/svg"/>')))).toMatchObject({
      ok: false,
    });
  });
});
