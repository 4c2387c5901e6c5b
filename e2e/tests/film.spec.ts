import { expect, type Page, test } from "@playwright/test";
import { openDesk, openPhone, runOf } from "../desk.ts";
import { fallFilm, knownFall } from "../film.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
let path: string;
test.beforeAll(async ({ browser }) => {
  house = await startHouse();
  path = `${house.url}${(await runOf(await openDesk(browser, house), house, "Seed-Wing Spinner")).path}/log`;
});
test.afterAll(() => house.stop());

/** What the frame that is shown says: its upper edge. */
const edge = (phone: Page): Promise<"hangs" | "falls" | "lies"> =>
  phone.evaluate(() => {
    const canvas = document.querySelector<HTMLCanvasElement>("canvas.film");
    const pen = canvas?.getContext("2d");
    if (!canvas || !pen) throw new Error("a film is shown");
    const [red = 0, green = 0, blue = 0] = pen.getImageData(canvas.width / 2, 15, 1, 1).data;
    return blue > red && blue > green ? "hangs" : green > red ? "falls" : "lies";
  });

test("a film of a known fall is stepped through and timed within a frame; it leaves the phone nowhere", async ({ browser }) => {
  const film = await fallFilm(browser, house);
  const phone = await openPhone(browser);
  const sent: string[] = [];
  phone.on("request", (request) => {
    if (request.method() !== "GET") sent.push(request.url());
  });
  await phone.goto(path);
  const one = phone.getByRole("region", { name: "Version 1" });
  await one.getByText("Time it from a film").click();
  await one.getByLabel("Choose or take a film").setInputFiles({ name: "fall.webm", mimeType: "video/webm", buffer: film });
  const on = one.getByRole("button", { name: "one frame on" });
  await expect(on).toBeEnabled();
  const stepUntil = async (wanted: "falls" | "lies"): Promise<void> => {
    for (let i = 0; i < 80 && (await edge(phone)) !== wanted; i += 1) {
      await on.click();
      await expect(on).toBeEnabled();
    }
  };
  await one.getByLabel("Where in the film").fill("0.4");
  await expect(on).toBeEnabled();
  expect(await edge(phone)).toBe("hangs");
  await stepUntil("falls");
  await expect(one.getByRole("button", { name: "It is let go here" })).toBeEnabled();
  await one.getByRole("button", { name: "It is let go here" }).click();
  await one.getByLabel("Where in the film").fill("1.6");
  await expect(on).toBeEnabled();
  await stepUntil("lies");
  // One too far, and back.
  await on.click();
  await expect(on).toBeEnabled();
  await one.getByRole("button", { name: "one frame back" }).click();
  await expect(on).toBeEnabled();
  expect(await edge(phone)).toBe("lies");
  await one.getByRole("button", { name: "It touches here" }).click();
  await expect(one.getByText(/s, give or take a frame \(0\.03 s\)/)).toBeVisible();
  await one.getByRole("button", { name: "Use it for trial 1" }).click();
  const timed = Number(await one.getByLabel("Trial 1").inputValue());
  // The film's own times to the frame: what is left is how the time is written.
  expect(Math.abs(timed - (knownFall.touch - knownFall.letGo))).toBeLessThanOrEqual(0.0051);
  expect(sent).toEqual([]);
});

test("what is no film, and a film without a picture, is said where it was chosen", async ({ browser }) => {
  const phone = await openPhone(browser);
  await phone.goto(path);
  const one = phone.getByRole("region", { name: "Version 1" });
  await one.getByText("Time it from a film").click();
  const choose = one.getByLabel("Choose or take a film");
  await choose.setInputFiles({ name: "fall.webm", mimeType: "video/webm", buffer: Buffer.from("no film") });
  await expect(one.getByRole("alert")).toHaveText(/can't be played here/);
  await choose.setInputFiles({ name: "sound.wav", mimeType: "audio/wav", buffer: silence() });
  await expect(one.getByRole("alert")).toHaveText("There is no picture in this film.");
  await expect(one.getByLabel("Trial 1")).toHaveValue("");
});

/** A second of silence: WAV, 8 kHz, 8 bit. */
function silence(): Buffer {
  const head = Buffer.alloc(44);
  head.write("RIFF", 0);
  head.writeUInt32LE(36 + 8000, 4);
  head.write("WAVEfmt ", 8);
  head.writeUInt32LE(16, 16);
  head.writeUInt16LE(1, 20);
  head.writeUInt16LE(1, 22);
  head.writeUInt32LE(8000, 24);
  head.writeUInt32LE(8000, 28);
  head.writeUInt16LE(1, 32);
  head.writeUInt16LE(8, 34);
  head.write("data", 36);
  head.writeUInt32LE(8000, 40);
  return Buffer.concat([head, Buffer.alloc(8000, 128)]);
}
