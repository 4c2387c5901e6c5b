// The workers that keep pages on a device, and the lists of what they keep.
import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "./ensure.mjs";

const dist = join(root, "web", "dist");

/** Files that a page needs sooner or later: its own, and those of everything it may fetch but languages, of which a device keeps its own. `may` says which of the parts that it fetches later are wanted. */
export function filesOf(page, manifest, may = () => true) {
  const seen = new Set();
  const files = new Set();
  const walk = (key) => {
    const chunk = manifest[key];
    if (!chunk || seen.has(key)) return;
    seen.add(key);
    for (const file of [chunk.file, ...(chunk.css ?? []), ...(chunk.assets ?? [])]) files.add(file);
    for (const next of [...(chunk.imports ?? []), ...(chunk.dynamicImports ?? []).filter(may)]) walk(next);
  };
  walk(page);
  return [...files].filter((file) => !/\.html$|\.wasm$|\/read-in-|(cyrillic|greek|vietnamese).*\.woff2?$/.test(file)).sort();
}

/** Files whose names carry their hash, and the page that they begin from, by the address it is opened at. */
function keptFiles(page, at, manifestFile, may) {
  const manifest = JSON.parse(readFileSync(join(dist, ".vite", manifestFile), "utf8"));
  const revision = createHash("sha256")
    .update(readFileSync(join(dist, page)))
    .digest("hex")
    .slice(0, 16);
  return [...filesOf(page, manifest, may).map((file) => ({ url: `/${file}`, revision: null })), { url: at, revision }];
}

/** What the family pages need. */
export const familyFiles = () => keptFiles("home.html", "/h", "manifest.json");

/** What the floor needs of the desk: its own views and the frame around them. */
export const floorFiles = () => keptFiles("index.html", "/floor", "desk.json", (key) => /^desk\/(floor|shell)\//.test(key));
