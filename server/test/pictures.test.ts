import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { EntryDoc, GalleryPage, MineDoc, ProblemDoc, RunDoc } from "@lampcrate/contract";
import { consentWords } from "@lampcrate/words/all";
import sharp from "sharp";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { openDatabase } from "../src/index.ts";
import { keepPromises } from "../src/jobs/keepPromises.ts";
import { exportHouse, importHouse } from "../src/upkeep/export.ts";
import { entriesOf, goodEntry, makeRun, openTestHouse, sendTo, type TestHouse } from "./house.ts";
import { givenPicture, phonePhoto, pictureId, sendPicture, still } from "./pictures.ts";

let house: TestHouse;
let run: RunDoc;
const [one, two] = [pictureId("one"), pictureId("two")];

beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
});
afterEach(() => house.close());

const withPictures = (name: string, ids: readonly string[], patch: Partial<ReturnType<typeof goodEntry>> = {}) => {
  const entry = goodEntry(name, { consentPhoto: true, ...patch });
  return {
    ...entry,
    versions: entry.versions.map((v, i) => (i === 0 ? { ...v, pictures: ids.map((id) => ({ id, kind: "photo" as const })) } : v)),
  };
};

const sent = async (name = "heron", ids: readonly string[] = [one], patch = {}) => {
  const entry = withPictures(name, ids, patch);
  await sendTo(house, run, entry);
  return entry;
};

const only = async (): Promise<EntryDoc> => {
  const [entry] = await entriesOf(house, run.id);
  if (!entry) throw new Error("an entry was sent");
  return entry;
};

const decide = async (decision: "accepted" | "set aside"): Promise<EntryDoc> => {
  const { id, revision } = await only();
  return (await house.ask("POST", `/api/runs/${run.id}/entries/${id}/decision`, { decision, why: "", revision })).body as EntryDoc;
};

const publicAt = (id: string): string => `/api/public/runs/${encodeURIComponent(run.code ?? "")}/pictures/${id}/full`;
const galleryNow = async (): Promise<GalleryPage> =>
  (await house.ask("GET", `/api/public/runs/${encodeURIComponent(run.code ?? "")}/pictures`, undefined, { cookie: null }))
    .body as GalleryPage;
/** What is asked on the day of the reveal, from which one comes back to today: a sign-in ends meanwhile. */
async function onRevealDay<T>(look: () => Promise<T>): Promise<T> {
  house.at("2026-12-24T10:00:00Z");
  const seen = await look();
  house.at("2026-11-25T11:00:00Z");
  return seen;
}
const isOnReveal = async (id: string): Promise<boolean> =>
  onRevealDay(async () => {
    const [alone, listed] = [await givenPicture(house, publicAt(id)), await galleryNow()];
    expect(listed.pictures.some((picture) => picture.id === id)).toBe(alone !== null);
    return alone !== null;
  });

describe("a picture from a phone", () => {
  it("is turned upright, made 2,000 points long at most, and loses place, phone and all else that was written in it", async () => {
    const { secret } = await sent();
    const photo = await phonePhoto(3000, 2000);
    expect((await sharp(photo).metadata()).exif?.includes("Kitchen 3")).toBe(true);
    expect(await sendPicture(house, secret, one, photo)).toEqual({ status: 201, body: { kept: true } });
    const answer = await house.app.request(`/api/public/mine/pictures/${one}/full`, { headers: { "x-entry-secret": secret } });
    expect(answer.headers.get("content-security-policy")).toBe("default-src 'none'");
    expect((await house.app.request("/healthz")).headers.get("content-security-policy")).toContain("script-src 'self'");
    const kept = await givenPicture(house, `/api/public/mine/pictures/${one}/full`, { "x-entry-secret": secret });
    const { width, height, exif, orientation, format, xmp, iptc } = await sharp(kept ?? Buffer.alloc(0)).metadata();
    // On its side by 90° clockwise: what lay across stands.
    expect({ width, height, format }).toEqual({ width: 1333, height: 2000, format: "jpeg" });
    expect({ exif, xmp, iptc, turned: orientation ?? 1 }).toEqual({ exif: undefined, xmp: undefined, iptc: undefined, turned: 1 });
    expect(house.bytes()).not.toContain("Kitchen 3");
    // The red quarter was at the upper left of the lying picture: turned clockwise it is at the upper right.
    const dot = async (left: number, top: number) =>
      [
        ...(await sharp(kept ?? Buffer.alloc(0))
          .extract({ left, top, width: 1, height: 1 })
          .raw()
          .toBuffer()),
      ].map((c) => Math.round(c / 40));
    expect(await dot(1200, 100)).toEqual([5, 0, 0]);
    expect(await dot(100, 100)).toEqual([3, 3, 3]);
    const small = await givenPicture(house, `/api/public/mine/pictures/${one}/small`, { "x-entry-secret": secret });
    expect((await sharp(small ?? Buffer.alloc(0)).metadata()).height).toBe(480);
  });

  it("sent again changes nothing, ten times at once neither", async () => {
    const { secret } = await sent();
    const photo = await phonePhoto();
    const answers = await Promise.all(Array.from({ length: 10 }, () => sendPicture(house, secret, one, photo)));
    expect(answers.map(({ status }) => status).sort()).toEqual([...Array.from({ length: 9 }, () => 200), 201]);
    expect((await only()).revision).toBe(2);
    await sendPicture(house, secret, one, photo);
    expect((await only()).revision).toBe(2);
  });

  it("that is not a still picture of a bearable size is refused at its field, and nothing is kept", async () => {
    const { secret } = await sent();
    const huge = Buffer.from(await (await still(64, 64)).png().toBuffer());
    huge.writeUInt32BE(50_000, 16);
    huge.writeUInt32BE(50_000, 20);
    const frames = await sharp({ create: { width: 8, height: 16, channels: 3, background: "#fff", pageHeight: 8 } as never })
      .webp({ loop: 0, delay: [100, 100] })
      .toBuffer()
      .catch(() => Buffer.alloc(0));
    const moving = Buffer.concat([
      Buffer.from("RIFF"),
      Buffer.from([30, 0, 0, 0]),
      Buffer.from("WEBPVP8X"),
      Buffer.from([10, 0, 0, 0, 2, 0, 0, 0, 7, 0, 0, 7, 0, 0]),
      frames,
    ]);
    const whole = await phonePhoto();
    const tries: readonly (readonly [string, Uint8Array, RegExp])[] = [
      ["nothing", new Uint8Array(), /empty/],
      ["words", Buffer.from("<html><script>alert(1)</script></html>"), /can't be read as a picture/],
      [
        "a drawing with a script",
        Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script/></svg>'),
        /not taken|can't be read/,
      ],
      ["a picture that moves", await (await still(8, 8)).gif().toBuffer(), /not taken/],
      ["a WebP that moves", moving, /moves/],
      ["50,000 × 50,000", huge, /million points/],
      ["half a photo", whole.subarray(0, Math.floor(whole.length / 2)), /can't be read/],
      ["a photo's head on something else", Buffer.concat([whole.subarray(0, 200), Buffer.alloc(4000, 7)]), /can't be read/],
    ];
    for (const [what, bytes, words] of tries) {
      const { status, body } = await sendPicture(house, secret, one, bytes);
      expect(status, what).toBe(422);
      expect((body as ProblemDoc).errors?.[0]?.field, what).toBe("picture");
      expect((body as ProblemDoc).errors?.[0]?.message, what).toMatch(words);
    }
    const { status, body } = await sendPicture(house, secret, one, new Uint8Array(17 * 1024 * 1024));
    expect([status, (body as ProblemDoc).errors?.[0]?.field]).toEqual([413, "picture"]);
    expect((await only()).versions[0]?.pictures).toEqual([{ id: one, kind: "photo", size: null, hidden: false }]);
    expect((await only()).revision).toBe(1);
  });

  it("of whoever has no such entry is not even read", async () => {
    const { secret } = await sent();
    let read = 0;
    const body = new ReadableStream({
      pull: (pipe) => {
        read += 1;
        if (read > 50) pipe.close();
        else pipe.enqueue(new Uint8Array(64 * 1024));
      },
    });
    const init = {
      method: "PUT",
      body,
      duplex: "half",
      headers: { "x-entry-secret": "no-such-secret-at-all-in-this", "content-length": "3276800" },
    };
    const answer = await house.app.request(`/api/public/mine/pictures/${one}`, init as RequestInit);
    expect(answer.status).toBe(404);
    expect(read).toBeLessThan(5);
    expect((await sendPicture(house, secret, one, await phonePhoto())).status).toBe(201);
  });

  it("is not taken for another's entry, for one that doesn't name it, or under somebody else's id", async () => {
    const heron = await sent("heron", [one]);
    const otter = await sent("otter", [two]);
    const photo = await phonePhoto();
    expect((await sendPicture(house, heron.secret, two, photo)).status).toBe(409);
    expect((await sendPicture(house, "no-such-secret-at-all-in-this", one, photo)).status).toBe(404);
    await sendPicture(house, otter.secret, two, photo);
    expect((await sendPicture(house, heron.secret, two, photo)).status).toBe(409);
    expect(await givenPicture(house, `/api/public/mine/pictures/${two}/full`, { "x-entry-secret": heron.secret })).toBeNull();
  });

  it("puts an entry that was decided on back before the sifter, who hasn't seen it", async () => {
    const { secret } = await sent();
    await decide("accepted");
    await sendPicture(house, secret, one, await phonePhoto());
    expect((await only()).state).toBe("waiting");
  });

  it("is counted: three a version, twelve an entry, none twice", async () => {
    const { versions, ...rest } = goodEntry("many");
    const ids = (n: number, from = 0) => Array.from({ length: n }, (_, i) => ({ id: pictureId(`no${from + i}`), kind: "sketch" }));
    const build = versions[0];
    const send = async (per: readonly number[]) => {
      const all = per.map((n, v) => ({ ...build, pictures: ids(n, 10 * v) }));
      return (await sendTo(house, run, { ...rest, versions: all })).body as ProblemDoc;
    };
    expect((await send([4])).errors?.[0]?.field).toBe("versions[0].pictures");
    expect((await send([3, 3, 3, 3, 1])).errors?.[0]?.message).toMatch(/at most 12 pictures/);
    const twice = { ...rest, versions: [build, build].map((v) => ({ ...v, pictures: ids(1) })) };
    expect(((await sendTo(house, run, twice)).body as ProblemDoc).errors?.[0]?.message).toMatch(/twice/);
    expect(await entriesOf(house, run.id)).toEqual([]);
  });
});

describe("a house that is written out", () => {
  it("has its pictures as files, and brings them back as they were", async () => {
    const { secret } = await sent();
    await sendPicture(house, secret, one, await phonePhoto());
    const into = mkdtempSync(join(tmpdir(), "lampcrate-out-"));
    try {
      expect(exportHouse(house.deps.data, into)).toContain(join("pictures", `${one}.jpg`));
      const kept = house.deps.db.$client.prepare("select full from picture").pluck().get() as Buffer;
      expect(readFileSync(join(into, "pictures", `${one}.jpg`))).toEqual(kept);
      expect(readFileSync(join(into, "tables", "picture.csv"), "utf8").split("\r\n")[0]).toBe("id,entry_key,at,hidden,width,height");
      const other = join(into, "again");
      importHouse(other, JSON.parse(readFileSync(join(into, "house.json"), "utf8")));
      const again = openDatabase(other);
      expect(again.$client.prepare("select full from picture").pluck().get()).toEqual(kept);
      again.$client.close();
    } finally {
      rmSync(into, { recursive: true, force: true });
    }
  });
});

describe("who sees a picture", () => {
  it("is what an adult said, word for word and with its time, apart for the measurements and for the pictures", async () => {
    const { secret } = await sent();
    const mine = (method: string, path: string, body?: unknown) =>
      house.ask(method, `/api/public/mine${path}`, body, { cookie: null, headers: { "x-entry-secret": secret } });
    const first = Date.parse("2026-11-25T10:00:00Z");
    const { keep, photo } = consentWords["en-1"] ?? {};
    expect(((await mine("GET", "")).body as MineDoc).consents).toEqual([
      { part: "keep", given: true, at: first, words: keep },
      { part: "photo", given: true, at: first, words: photo },
    ]);
    house.at("2026-11-26T12:00:00Z");
    const later = Date.parse("2026-11-26T12:00:00Z");
    expect(((await mine("PUT", "/photo", { given: false, version: "en-1" })).body as MineDoc).consents).toEqual([
      { part: "keep", given: true, at: first, words: keep },
      { part: "photo", given: false, at: later, words: photo },
    ]);
    const refused = (await mine("PUT", "/photo", { given: true, version: "xx-9" })).body as ProblemDoc;
    expect(refused.errors?.map(({ field }) => field)).toEqual(["version"]);
  });

  it("nobody but its family and the sifters, until it is accepted, agreed to, and the reveal has come", async () => {
    const { secret } = await sent();
    await sendPicture(house, secret, one, await phonePhoto());
    const { id } = await only();
    const sifters = `/api/runs/${run.id}/entries/${id}/pictures/${one}/small`;
    expect(await givenPicture(house, sifters)).toBeNull();
    expect((await house.ask("GET", sifters)).headers.get("content-type")).toBe("image/jpeg");
    expect((await house.ask("GET", sifters)).headers.get("cache-control")).toBe("no-store");
    await decide("accepted");
    expect(await givenPicture(house, publicAt(one))).toBeNull();
    expect((await onRevealDay(galleryNow)).pictures).toMatchObject([{ id: one, kind: "photo", version: 1, width: 800, height: 1200 }]);
  });

  it("no longer at once when the yes is taken back, the entry withdrawn, erased, set aside, or the picture taken out", async () => {
    const { secret } = await sent("heron", [one, two]);
    const header = { "x-entry-secret": secret };
    for (const id of [one, two]) await sendPicture(house, secret, id, await phonePhoto());
    await decide("accepted");
    const isShown = () => isOnReveal(one);
    const mine = (method: string, path: string, body?: unknown) =>
      house.ask(method, `/api/public/mine${path}`, body, { cookie: null, headers: header });
    expect(await isShown()).toBe(true);
    await mine("PUT", "/photo", { given: false });
    expect(await isShown()).toBe(false);
    await mine("PUT", "/photo", { given: true });
    expect(await isShown()).toBe(true);
    await mine("POST", "/withdraw");
    expect(await isShown()).toBe(false);
    await mine("POST", "/restore");
    await decide("set aside");
    expect(await isShown()).toBe(false);
    await decide("accepted");
    expect(await isShown()).toBe(true);
    const { entry } = (await mine("GET", "")).body as MineDoc;
    const { revision, ageBand, said, tokens, answers } = entry;
    const versions = withPictures("heron", [two]).versions;
    expect((await mine("PUT", "", { revision, ageBand, said, tokens, answers, versions })).status).toBe(200);
    const rows = house.deps.db.$client.prepare("select id from picture").pluck().all();
    expect(rows).toEqual([two]);
    await mine("DELETE", "");
    expect(house.deps.db.$client.prepare("select count(*) from picture").pluck().get()).toBe(0);
  });

  it("not once a sifter has hidden it; undo shows it again, and hiding what has changed is refused", async () => {
    const { secret } = await sent();
    await sendPicture(house, secret, one, await phonePhoto());
    await decide("accepted");
    const { id, revision } = await only();
    const hide = (hidden: boolean, seen: number) =>
      house.ask("PUT", `/api/runs/${run.id}/entries/${id}/pictures/${one}/hidden`, { hidden, revision: seen });
    expect((await hide(true, revision - 1)).status).toBe(409);
    expect(((await hide(true, revision)).body as EntryDoc).versions[0]?.pictures[0]?.hidden).toBe(true);
    expect(await isOnReveal(one)).toBe(false);
    expect((await house.ask("GET", `/api/runs/${run.id}/entries/${id}/pictures/${one}/full`)).status).toBe(200);
    expect((await only()).state).toBe("accepted");
    await house.ask("POST", `/api/runs/${run.id}/undo`);
    expect(await isOnReveal(one)).toBe(true);
    await house.ask("POST", `/api/runs/${run.id}/redo`);
    expect(await isOnReveal(one)).toBe(false);
  });

  it("nobody after the promised day, whether entries are erased then or made anonymous", async () => {
    const { secret } = await sent();
    await sendPicture(house, secret, one, await phonePhoto());
    await decide("accepted");
    const watch = { look: () => null } as unknown as Parameters<typeof keepPromises>[1];
    house.at("2028-01-01T10:00:00Z");
    await keepPromises(house.deps, watch);
    house.pass(8 * 86_400_000);
    expect(await keepPromises(house.deps, watch)).toMatch(/anonymous|erased/i);
    expect(house.deps.db.$client.prepare("select count(*) from picture").pluck().get()).toBe(0);
    expect((house.deps.db.$client.prepare("select pictures from version").pluck().all() as string[]).every((kept) => kept === "[]")).toBe(
      true,
    );
  });
});
