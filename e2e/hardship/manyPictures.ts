import { randomBytes } from "node:crypto";
import sharp from "sharp";
import { burstEntry, demoCode } from "../entries.ts";
import { type House, startHouse } from "../harness.ts";
import { quantile, rest } from "./posts.ts";
import type { Told } from "./told.ts";

/** Large photos one after the other and many at once, and what that does to those who only read. */
export async function manyPictures(count = 40, connections = 4): Promise<readonly Told[]> {
  const house = await startHouse();
  try {
    const code = await demoCode(house, "Seed-Wing Spinner");
    const photo = await largePhoto();
    const megabytes = (photo.length / 1024 / 1024).toFixed(1);
    for (let i = 0; i <= count; i += 1) await sendEntry(house, code, i);
    const alone = await send(house, 0, photo);
    const health: number[] = [];
    let going = true;
    const watch = (async () => {
      while (going) {
        const began = performance.now();
        await (await fetch(`${house.url}/healthz`)).text();
        health.push(performance.now() - began);
        await rest(20);
      }
    })();
    const began = performance.now();
    const together: Awaited<ReturnType<typeof sendUntilTaken>>[] = [];
    let next = 1;
    const device = async (): Promise<void> => {
      while (next <= count) {
        next += 1;
        together.push(await sendUntilTaken(house, next - 1, photo));
      }
    };
    await Promise.all(Array.from({ length: connections }, device));
    const seconds = (performance.now() - began) / 1000;
    going = false;
    await watch;
    const again = await send(house, 0, photo);
    return [
      {
        tried: `a photo of ${megabytes} MB`,
        came: `taken in ${(alone.ms / 1000).toFixed(2)} s`,
        good: alone.status === 201 && alone.ms < 2000,
        timed: alone.status === 201,
      },
      {
        tried: `${count} such photos, ${connections} at a time`,
        came: `${together.filter(({ status }) => status === 201).length} taken in ${seconds.toFixed(0)} s`,
        good: together.every(({ status }) => status === 201),
      },
      { tried: "/healthz meanwhile", came: `p99 ${quantile(health, 0.99).toFixed(0)} ms`, good: quantile(health, 0.99) < 100, timed: true },
      { tried: "the first of them sent again", came: `answered ${again.status}`, good: again.status === 200 },
    ];
  } finally {
    await house.stop();
  }
}

const pictureOf = (i: number): string => `burst-picture-${i}-`.padEnd(24, "p");

/** A photo of noise, which presses together worst: 12 MB and more. */
function largePhoto(): Promise<Buffer> {
  const [width, height] = [4000, 3000];
  const noise = randomBytes(width * height * 3);
  return sharp(noise, { raw: { width, height, channels: 3 } })
    .jpeg({ quality: 96 })
    .toBuffer();
}

async function sendEntry(house: House, code: string, i: number): Promise<void> {
  const entry = burstEntry(i);
  const versions = entry.versions.map((v, at) => (at === 0 ? { ...v, pictures: [{ id: pictureOf(i), kind: "photo" as const }] } : v));
  await fetch(`${house.url}/api/public/runs/${encodeURIComponent(code)}/entries`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ ...entry, versions }),
  });
}

async function send(house: House, i: number, photo: Buffer): Promise<{ readonly status: number; readonly ms: number }> {
  const began = performance.now();
  const { status } = await fetch(`${house.url}/api/public/mine/pictures/${pictureOf(i)}`, {
    method: "PUT",
    headers: { "x-entry-secret": burstEntry(i).secret, "content-type": "image/jpeg" },
    body: new Uint8Array(photo),
  });
  return { status, ms: performance.now() - began };
}

/** As a device does: what is asked to come again comes again. */
async function sendUntilTaken(house: House, i: number, photo: Buffer): Promise<{ readonly status: number; readonly refused: number }> {
  for (let refused = 0; ; refused += 1) {
    const { status } = await send(house, i, photo);
    if (status < 500 || refused > 60) return { status, refused };
    await rest(1000);
  }
}
