// @vitest-environment jsdom
import { beforeEach, expect, it, vi } from "vitest";
import { isMissingPart, isNewVersion, noticeBuild } from "../shared/build.ts";
import { reload, savedBeforeReload } from "../shared/reloading.ts";

const answered = (build: string) => noticeBuild(new Headers(build === "" ? {} : { "x-lampcrate-build": build }));

beforeEach(() => {
  document.head.innerHTML = '<meta name="build" content="one">';
  answered("one");
});

it("knows a newer version by the build that an answer names, and no longer when the server went back", () => {
  expect(isNewVersion()).toBe(false);
  answered("two");
  expect(isNewVersion()).toBe(true);
  answered("one");
  expect(isNewVersion()).toBe(false);
});

it("says nothing where either build isn't known", () => {
  answered("");
  expect(isNewVersion()).toBe(false);
  document.head.innerHTML = "";
  answered("two");
  expect(isNewVersion()).toBe(false);
});

it.each([
  ["Failed to fetch dynamically imported module: http://x/assets/Store-1.js", true],
  ["error loading dynamically imported module: http://x/assets/Store-1.js", true],
  ["Importing a module script failed.", true],
  ["Unable to preload CSS for /assets/Store-1.css", true],
  ["Cannot read properties of undefined (reading 'id')", false],
])("takes “%s” for a missing part: %s", (message, missing) => {
  expect(isMissingPart(new TypeError(message))).toBe(missing);
});

it("saves every open draft, and waits for the last save of one just closed, before it loads the page anew", async () => {
  const order: string[] = [];
  vi.stubGlobal("location", { reload: () => order.push("reload") });
  const slow = (name: string) => async () => {
    await new Promise((done) => setTimeout(done, 20));
    order.push(name);
  };
  savedBeforeReload(slow("open"));
  savedBeforeReload(slow("closed"))();
  savedBeforeReload(async () => {
    throw new Error("refused");
  });
  await reload();
  expect(order.at(-1)).toBe("reload");
  expect([...order].sort()).toEqual(["closed", "open", "reload"]);
  vi.unstubAllGlobals();
});
