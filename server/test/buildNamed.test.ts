import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Hono } from "hono";
import { expect, it } from "vitest";
import { namesBuild } from "../src/http/build.ts";

const answerOf = async (web: string | null): Promise<string | null> => {
  const app = new Hono().use("*", namesBuild(web)).get("/", (c) => c.text("ok"));
  return (await app.request("/")).headers.get("x-lampcrate-build");
};

it("names the build of the interface in every answer, and none where there is none", async () => {
  const web = mkdtempSync(join(tmpdir(), "lampcrate-web-"));
  writeFileSync(join(web, "index.html"), '<meta name="build" content="661f359b1a97" />');
  expect(await answerOf(web)).toBe("661f359b1a97");
  writeFileSync(join(web, "index.html"), '<meta name="build" content="" />');
  expect([await answerOf(web), await answerOf(null)]).toEqual([null, null]);
});
