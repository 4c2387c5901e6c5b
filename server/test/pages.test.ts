import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { SheetDoc } from "@lampcrate/contract";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type PageMarkup, pages } from "../src/http/pages.ts";

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), "lampcrate-pages-"));
  writeFileSync(
    join(folder, "home.html"),
    '<!doctype html><title>Build challenge</title><div id="root"></div><script type="module" src="/assets/home.js"></script>',
  );
  writeFileSync(join(folder, "index.html"), "<title>Desk</title>");
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const sheet = { title: "Reeds & <Bridges>", code: "REED LANTERN OTTER 472", brief: { story: "</script><b>$& hoy" } } as unknown as SheetDoc;

const site = (markup: PageMarkup | null) =>
  pages(folder, {
    sheetOf: (code) => {
      if (code !== "reed-lantern-otter-472") throw new Error("no such challenge");
      return sheet;
    },
    markup,
    failed: () => undefined,
  });
const read = async (app: ReturnType<typeof pages>, path: string): Promise<string> =>
  (await app.request(`http://builds.example${path}`)).text();
const path = "/h/reed-lantern-otter-472";

describe("the page of a challenge", () => {
  it("has its sheet in the first answer, and what its script goes on from; words of the sheet are no markup", async () => {
    const html = await read(
      site(async (of, host) => `<h1>${of.code} at ${host}</h1>`),
      path,
    );
    expect(html).toContain('<div id="root"><h1>REED LANTERN OTTER 472 at builds.example</h1></div>');
    expect(html).toContain("<title>Reeds &amp; &lt;Bridges&gt;</title>");
    const [, given = ""] = /<script type="application\/json" id="given-sheet">(.*?)<\/script>/.exec(html) ?? [];
    expect(JSON.parse(given)).toEqual(sheet);
    expect(html.match(/<\/script>/g)).toHaveLength(2);
  });

  it("is drawn once while the sheet is the same, and again for another host", async () => {
    let drawn = 0;
    const counted: PageMarkup = async () => {
      drawn += 1;
      return "drawn";
    };
    const app = site(counted);
    const other = { ...sheet };
    const apart = pages(folder, { sheetOf: () => other, markup: counted, failed: () => undefined });
    for (let i = 0; i < 3; i += 1) await read(apart, path);
    expect(drawn).toBe(1);
    await apart.request(`http://other.example${path}`);
    expect(drawn).toBe(2);
    expect(await read(app, "/h/mine")).toContain('<div id="root"><noscript>');
    expect(drawn).toBe(2);
  });

  it("is left to the browser where there is no such challenge, nothing draws it, or drawing fails", async () => {
    const plain = '<div id="root"><noscript><p class="home">This page needs scripts';
    expect(
      await read(
        site(async () => "drawn"),
        "/h/other-words-here-1",
      ),
    ).toContain(plain);
    expect(await read(site(null), path)).toContain(plain);
    const told: unknown[] = [];
    const pen = new Error("no pen");
    const once = { ...sheet };
    let tried = 0;
    const markup: PageMarkup = async () => {
      tried += 1;
      if (tried === 1) throw pen;
      return "drawn";
    };
    const failing = pages(folder, { sheetOf: () => once, markup, failed: (error) => told.push(error) });
    expect([await read(failing, path), told]).toEqual([expect.stringContaining(plain), [pen]]);
    // What failed is not kept: the next who asks has it.
    expect(await read(failing, path)).toContain('<div id="root">drawn</div>');
    expect(
      await read(
        site(async () => "drawn"),
        `${path}/reveal`,
      ),
    ).toContain(plain);
    expect(await read(site(null), "/season")).toContain("<title>Desk</title>");
  });

  it("is drawn with the head of its logbook too, which is another page", async () => {
    const own = { ...sheet };
    const app = pages(folder, { sheetOf: () => own, markup: async (_, host, page) => `the ${page} at ${host}`, failed: () => undefined });
    expect(await read(app, path)).toContain('<div id="root">the sheet at');
    expect(await read(app, `${path}/log`)).toContain('<div id="root">the log at');
    expect(await read(app, `${path}/log`)).toContain('id="given-sheet"');
  });

  it("comes compressed to whoever takes it so", async () => {
    const long = site(async () => "reed ".repeat(2000));
    const fresh = pages(folder, { sheetOf: () => ({ ...sheet }), markup: async () => "reed ".repeat(2000), failed: () => undefined });
    const answer = await fresh.request(path, { headers: { "accept-encoding": "gzip" } });
    expect(answer.headers.get("content-encoding")).toBe("gzip");
    expect((await answer.arrayBuffer()).byteLength).toBeLessThan(2000);
    expect((await long.request(path)).headers.get("content-encoding")).toBeNull();
  });
});
