import { demoSignIn } from "../harness.ts";
import { type EnginePage, reads, typedIn, until } from "./page.ts";

/** What the journeys go to. */
export interface Grounds {
  readonly url: string;
  /** A challenge's sheet. */
  readonly sheet: string;
  /** A film of a fall of 1.200 s, on this machine. */
  readonly film: string;
  /** A session that goes on now. */
  readonly session: string;
}

const trials = (values: readonly string[]) => values.map((value, i) => [`Trial ${i + 1}`, value] as const);

/** A logbook is filled, survives a reload, and is sent; the thanks are read. */
async function logbook(page: EnginePage, { sheet }: Grounds): Promise<string> {
  await page.open(`${sheet}/log`);
  for (const [label, value] of trials(["1.2", "1.25", "1.18"])) await page.type("Version 1", label, value);
  await reads(page, "Saved on this device");
  await page.reload();
  await until("the draft", async () => (await typedIn(page, "Version 1", "Trial 2")) === "1.25");
  await page.press("Add the next version");
  for (const [label, value] of trials(["1.5", "1.62", "1.58"])) await page.type("Version 2", label, value);
  await page.run(`[...document.querySelectorAll("label")].find((one) => /I am an adult/.test(one.textContent)).click()`);
  await page.press("Send the results");
  await reads(page, "Thank you. It is sent.");
  return "what was typed is there after a reload, and it is sent";
}

/** A film of 1.200 s is stepped through by its frames, and timed. */
async function film(page: EnginePage, { sheet, film: path }: Grounds): Promise<string> {
  await page.open(`${sheet}/log`);
  await page.press("Time it from a film");
  await page.give("Choose or take a film", path);
  const shows = (): Promise<string> =>
    page.run(`
      const canvas = document.querySelector("canvas.film");
      const [red, green, blue] = canvas.getContext("2d").getImageData(canvas.width / 2, 15, 1, 1).data;
      return blue > red && blue > green ? "hangs" : green > red ? "falls" : "lies";`);
  const rests = () =>
    until("the frame", () =>
      page.run<boolean>(
        `return !([...document.querySelectorAll("button")].find((one) => one.getAttribute("aria-label") === "one frame on")?.disabled ?? true)`,
      ),
    );
  await rests();
  for (const [wanted, mark] of [
    ["falls", "It is let go here"],
    ["lies", "It touches here"],
  ] as const) {
    for (let i = 0; i < 90 && (await shows()) !== wanted; i += 1) {
      await page.press("one frame on");
      await rests();
    }
    await page.press(mark);
  }
  await reads(page, "1.20 s, give or take a frame (0.03 s)");
  return "1.200 s are timed as 1.20 s";
}

/** Parties are tapped in on the floor, and the server has them. */
async function floor(page: EnginePage, { url, session }: Grounds): Promise<string> {
  await page.open(url);
  await page.run(
    `window.signedIn = null;
     fetch("/api/sign-in", { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(arguments[0]) })
       .then(({ status }) => { window.signedIn = status; });`,
    demoSignIn,
  );
  await until("the sign-in", () => page.run<boolean>("return window.signedIn === 200"));
  await page.open(`${url}/floor/${session}`);
  for (let i = 0; i < 3; i += 1) await page.press("Party of 2 in");
  await reads(page, "3 parties, 6 in all");
  await page.reload();
  await reads(page, "3 parties, 6 in all");
  return "three parties are counted, after a reload too";
}

export const journeys = { logbook, film, floor } as const;
