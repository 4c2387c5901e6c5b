import { expect, type Locator, type Page, test } from "@playwright/test";
import { openDesk, openPhone, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";
import { phonePhoto, writtenIn } from "../pictures.ts";

let house: House;
let desk: Page;
let run: Awaited<ReturnType<typeof runOf>>;
let photo: Buffer;

test.beforeAll(async ({ browser }) => {
  house = await startHouse();
  desk = await openDesk(browser, house);
  run = await runOf(desk, house, "Seed-Wing Spinner");
  photo = await phonePhoto();
  // Open for entries and revealed, both today.
  const at = `${house.url}/api/runs/${run.id}`;
  const { revision, title, kind, opensOn, scoring, units, heads, afterwards, rehearsal } = await (await desk.request.get(at)).json();
  const days = { opensOn, closesOn: "2026-11-25", revealOn: "2026-11-25" };
  const data = { revision, title, kind, scoring, units, heads, afterwards, rehearsal, ...days };
  expect((await desk.request.put(at, { data, headers: { origin: house.url } })).status()).toBe(200);
});
test.afterAll(() => house.stop());

const asFile = (buffer: Buffer, name = "build.jpg", mimeType = "image/jpeg") => ({ name, mimeType, buffer });

/** A version with one trial and a photo, ready to be sent. */
async function logWithPhoto(phone: Page): Promise<void> {
  await phone.goto(`${house.url}${run.path}/log`);
  const one = phone.getByRole("region", { name: "Version 1" });
  await one.getByLabel("Trial 1").fill("1.31");
  await one.getByLabel("Add a photo").setInputFiles(asFile(photo));
  await expect(one.getByRole("img", { name: "Picture 1, a photo" })).toBeVisible();
  await phone.getByLabel(/I am an adult/).check();
}

/** Draws both lines out over a picture: the known one three times as long as the measured one. */
async function layLines(page: Page, within: Locator, picture: Locator): Promise<void> {
  for (const [line, which, across, down] of [
    ["known", "first", 0.2, 0.8],
    ["known", "second", 0.8, 0.8],
    ["measured", "first", 0.4, 0.5],
    ["measured", "second", 0.6, 0.5],
  ] as const) {
    const ring = await within.getByRole("slider", { name: `${line}, ${which} end` }).boundingBox();
    const frame = await picture.boundingBox();
    if (!frame || !ring) throw new Error("the picture is in sight");
    await page.mouse.move(ring.x + ring.width / 2, ring.y + ring.height / 2);
    await page.mouse.down();
    await page.mouse.move(frame.x + across * frame.width, frame.y + down * frame.height, { steps: 3 });
    await page.mouse.up();
  }
}

/** Lays both lines over the open entry's photo: what is three times as long and 30 cm makes the other 10 cm. */
async function measure(page: Page): Promise<void> {
  await page.getByRole("button", { name: "Open photo 1 of version 1" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("The known length").fill("30 cm");
  await dialog.getByLabel("The known length").press("Enter");
  const picture = dialog.getByRole("group").first();
  await layLines(page, dialog, picture);
  await expect(dialog.getByRole("status")).toContainText(/^(99(\.\d)?\u00a0mm|100(\.\d)?\u00a0mm|10(\.\d)?\u00a0cm) give or take/);
  await expect(dialog.getByRole("status")).toContainText("size (across, or one wing): 90\u00a0mm");
  // By keys: ten steps make the measured line longer.
  await dialog.getByRole("slider", { name: "measured, second end" }).focus();
  for (let i = 0; i < 10; i += 1) await page.keyboard.press("Shift+ArrowRight");
  await expect(dialog.getByRole("status")).toContainText(/^1[1-9](\.\d)?\u00a0cm give or take/);
  await dialog.getByLabel("The known thing is, from the camera,").click();
  await page.getByTitle("nearer").click();
  await expect(dialog.getByRole("status")).toContainText(/^at least/);
  await expect(dialog.getByText("What is nearer looks larger: the true length is this or more.")).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(dialog).toBeHidden();
}

const pictureRows = async (phone: Page): Promise<number> =>
  phone.evaluate(
    () =>
      new Promise<number>((found, failed) => {
        const asked = indexedDB.open("lampcrate-pictures");
        asked.onerror = () => failed(asked.error);
        asked.onsuccess = () => {
          const count = asked.result.transaction("pictures").objectStore("pictures").count();
          count.onsuccess = () => found(count.result);
        };
      }),
  );

/** Puts a picture of a logbook on the device, as if it had been added so long ago. */
const putRow = (phone: Page, id: string, row: { readonly secret: string; readonly at: number }): Promise<void> =>
  phone.evaluate(
    ([key, { secret, at }]) =>
      new Promise<void>((put, failed) => {
        const asked = indexedDB.open("lampcrate-pictures");
        asked.onsuccess = () => {
          const store = asked.result.transaction("pictures", "readwrite").objectStore("pictures");
          const done = store.put({ picture: new Blob(["x"]), secret, at, ready: false }, key);
          done.onsuccess = () => put();
          done.onerror = () => failed(done.error);
        };
      }),
    [id, row] as const,
  );

test("a family's photo comes out without its place, is looked at, shown by made-up name, hidden, and gone at once when the yes is taken back", async ({
  browser,
}) => {
  const phone = await openPhone(browser);
  await logWithPhoto(phone);
  await phone.getByLabel(/These pictures may be shown/).check();
  await phone.getByRole("button", { name: "Send the results" }).click();
  await expect(phone.getByText("Your picture has arrived.")).toBeVisible();
  const alias = (await phone.locator("strong.goal").textContent()) ?? "";
  expect(await pictureRows(phone)).toBe(0);

  await desk.goto(`${house.url}/run/${run.id}/sift`);
  await desk.getByRole("list", { name: "All entries" }).getByRole("button", { name: alias }).click();
  const here = desk.getByRole("list", { name: "Pictures of version 1" });
  const shown = here.getByRole("img", { name: "photo 1 of version 1" });
  await expect(shown).toBeVisible();
  const small = (await shown.getAttribute("src")) ?? "";
  const kept = await desk.request.get(`${house.url}${small.replace("/small", "/full")}`);
  expect(await writtenIn(await kept.body())).toEqual({ width: 1385, height: 2000, exif: false });
  await measure(desk);
  await desk.getByRole("button", { name: "Accept", exact: true }).click();
  await expect(desk.getByRole("list", { name: "All entries" }).getByRole("button", { name: `${alias} accepted` })).toBeVisible();

  const reveal = `${house.url}${run.path}/reveal`;
  const visitor = await openPhone(browser);
  await visitor.goto(reveal);
  const large = visitor.getByRole("button", { name: `${alias}, version 1, larger` });
  await large.click();
  await expect(visitor.getByRole("dialog", { name: `${alias}, version 1` }).getByRole("img")).toBeVisible();
  await visitor.keyboard.press("Escape");
  await expect(visitor.getByRole("dialog")).toBeHidden();

  await desk.getByRole("list", { name: "All entries" }).getByRole("button", { name: alias }).click();
  await here.getByRole("button", { name: "Hide photo 1 of version 1" }).click();
  await expect(here.getByText("photo, hidden")).toBeVisible();
  await visitor.reload();
  await expect(visitor.getByRole("heading", { name: "First version and last" })).toBeVisible();
  await expect(large).toBeHidden();
  await desk.keyboard.press("u");
  await expect(here.getByRole("button", { name: "Hide photo 1 of version 1" })).toBeVisible();
  await visitor.reload();
  await expect(large).toBeVisible();

  await phone.getByRole("link", { name: "Open my entry" }).click();
  await expect(phone.getByRole("img", { name: "Picture 1, a photo" })).toBeVisible();
  const given = phone.getByLabel(/^My pictures may be shown/);
  await given.click();
  await expect(given).not.toBeChecked();
  await visitor.reload();
  await expect(visitor.getByRole("heading", { name: "First version and last" })).toBeVisible();
  await expect(large).toBeHidden();
});

test("pictures wait on the device while there is no line, and go by themselves when it is back", async ({ browser }) => {
  const phone = await openPhone(browser);
  await logWithPhoto(phone);
  await phone
    .getByRole("region", { name: "Version 1" })
    .getByLabel("Add your sketch")
    .setInputFiles(asFile(await phonePhoto("#aa8844")));
  await expect(phone.getByRole("img", { name: "Picture 2, a sketch" })).toBeVisible();
  // The entry comes through, then the line is gone.
  await phone.route("**/mine/pictures/**", (route) => route.abort("internetdisconnected"));
  await phone.getByRole("button", { name: "Send the results" }).click();
  await expect(phone.getByText("2 pictures are still on this device.")).toBeVisible();
  expect(await pictureRows(phone)).toBe(2);
  // One whose logbook is long gone is let go; one of a logbook that is being written stays.
  await putRow(phone, "lost", { secret: "of-no-logbook-on-this-device", at: 0 });
  // Closed, and opened again on another page when there is a line.
  await phone.unroute("**/mine/pictures/**");
  await phone.goto(`${house.url}${run.path}`);
  await expect.poll(() => pictureRows(phone), { timeout: 15_000 }).toBe(0);
  await phone.goto(`${house.url}${run.path}/log`);
  await expect(phone.getByText("Your 2 pictures have arrived.")).toBeVisible();
});

test("what is no still picture is said at its place, and what was written stays", async ({ browser }) => {
  const phone = await openPhone(browser);
  await phone.goto(`${house.url}${run.path}/log`);
  const one = phone.getByRole("region", { name: "Version 1" });
  await one.getByLabel("What did you build?").fill("wide wings");
  const add = one.getByLabel("Add a photo");
  await add.setInputFiles(asFile(Buffer.from("<html>no picture</html>"), "wings.jpg"));
  await expect(one.getByRole("alert")).toHaveText("This file can't be read as a picture. Choose a photo.");
  await add.setInputFiles(asFile(Buffer.alloc(17 * 1024 * 1024), "large.jpg"));
  await expect(one.getByRole("alert")).toHaveText("This picture is more than 16 MB. Choose a smaller one.");
  await add.setInputFiles(asFile(photo.subarray(0, 700), "half.jpg"));
  await expect(one.getByRole("alert")).toHaveText(/can't read|can't be read/);
  await add.setInputFiles(asFile(photo));
  await expect(one.getByRole("alert")).toBeHidden();
  await one.getByRole("button", { name: "Take out: Picture 1, a photo" }).click();
  await one.getByRole("button", { name: "Put it back" }).click();
  await expect(one.getByRole("img", { name: "Picture 1, a photo" })).toBeVisible();
  await phone.reload();
  await expect(one.getByRole("img", { name: "Picture 1, a photo" })).toBeVisible();
  await expect(one.getByLabel("What did you build?")).toHaveValue("wide wings");
  // A picture of a logbook that is still written stays, however old.
  await expect.poll(() => pictureRows(phone)).toBe(1);
});

test("a family measures in its own photo, beside something they know, and takes the length for their build", async ({ browser }) => {
  const phone = await openPhone(browser);
  await logWithPhoto(phone);
  const one = phone.getByRole("region", { name: "Version 1" });
  await one.getByRole("button", { name: "Measure in it: Picture 1, a photo" }).click();
  const ruler = one.getByRole("region", { name: "Measure in this picture" });
  await expect(ruler.getByText("Write the known length, and the other follows.")).toBeVisible();
  await ruler.getByLabel("The known length").fill("as long as this");
  await expect(ruler.getByRole("status")).toContainText("We can't read that as one number.");
  await ruler.getByLabel("The known length").fill("30");
  const picture = ruler.getByRole("group", { name: "Picture 1, a photo" });
  await picture.scrollIntoViewIfNeeded();
  await layLines(phone, ruler, picture);
  await expect(ruler.getByRole("status")).toContainText(
    /^(9\.\d|10(\.\d)?)\u00a0cm, give or take |^(9\d|10\d)(\.\d)?\u00a0mm, give or take /,
  );
  await ruler.getByLabel("Seen from the camera, the known thing is").selectOption("nearer");
  await expect(ruler.getByRole("status")).toContainText(/^at least /);
  await ruler.getByRole("button", { name: "Use it for size (across, or one wing)" }).click();
  await expect(one.getByLabel(/^Size \(across, or one wing\)/)).toHaveValue(/^(9\.?\d?|10(\.\d)?|9\d(\.\d)?|10\d) ?/);
  await ruler.getByRole("button", { name: "Close the ruler" }).click();
  await expect(ruler).toBeHidden();
});
