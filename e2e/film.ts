import { readFileSync } from "node:fs";
import { join } from "node:path";
import type { Browser } from "@playwright/test";
import { type House, root } from "./harness.ts";

/** Frames a second of the film, and when in it the marker is let go and lands, s. */
export const knownFall = { perSecond: 30, letGo: 0.5, touch: 1.7 } as const;

/**
 * A film of a marker that hangs, falls and lies, drawn frame by frame at times that are known: WebM. Its whole upper
 * edge says what it does: blue while it hangs, green while it falls, red once it has landed.
 */
export async function fallFilm(browser: Browser, house: House): Promise<Buffer> {
  // Films are made on a page of a place that a browser trusts.
  const page = await (await browser.newContext({ bypassCSP: true })).newPage();
  await page.goto(`${house.url}/healthz`);
  const muxer = readFileSync(join(root, "node_modules/mediabunny/dist/bundles/mediabunny.min.cjs"), "utf8");
  await page.addScriptTag({
    content: `{ const module = { exports: {} }; const exports = module.exports; ${muxer}; globalThis.Mediabunny = module.exports; }`,
  });
  const base64 = await page.evaluate(async ({ perSecond, letGo, touch }) => {
    // biome-ignore lint/suspicious/noExplicitAny: the muxer stands on the page under a name of its own
    const { Output, WebMOutputFormat, BufferTarget, CanvasSource } = (globalThis as any).Mediabunny;
    const canvas = document.createElement("canvas");
    [canvas.width, canvas.height] = [320, 240];
    const pen = canvas.getContext("2d");
    if (!pen) throw new Error("nothing to draw on");
    const output = new Output({ format: new WebMOutputFormat(), target: new BufferTarget() });
    const source = new CanvasSource(canvas, { codec: "vp8", bitrate: 800_000 });
    output.addVideoTrack(source, { frameRate: perSecond });
    await output.start();
    for (let frame = 0; frame < 2.4 * perSecond; frame += 1) {
      const at = frame / perSecond;
      const fallen = Math.min(1, Math.max(0, (at - letGo) / (touch - letGo))) ** 2;
      pen.fillStyle = "#eeeeee";
      pen.fillRect(0, 0, 320, 240);
      pen.fillStyle = at < letGo ? "#0000ff" : at < touch ? "#00ff00" : "#ff0000";
      pen.fillRect(0, 0, 320, 40);
      pen.fillStyle = "#222222";
      pen.fillRect(150, 40 + fallen * 180, 20, 20);
      await source.add(at, 1 / perSecond);
    }
    await output.finalize();
    const bytes = new Uint8Array(output.target.buffer);
    let text = "";
    for (const byte of bytes) text += String.fromCharCode(byte);
    return btoa(text);
  }, knownFall);
  await page.context().close();
  return Buffer.from(base64, "base64");
}
