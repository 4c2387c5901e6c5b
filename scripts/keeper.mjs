// The worker that keeps the family pages on a device, and the list of what it keeps.
import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "./ensure.mjs";

const dist = join(root, "web", "dist");

/** Files that a page needs sooner or later: its own, and those of everything it may fetch but languages, of which a device keeps its own. */
export function filesOf(page, manifest) {
  const seen = new Set();
  const files = new Set();
  const walk = (key) => {
    const chunk = manifest[key];
    if (!chunk || seen.has(key)) return;
    seen.add(key);
    for (const file of [chunk.file, ...(chunk.css ?? []), ...(chunk.assets ?? [])]) files.add(file);
    for (const next of [...(chunk.imports ?? []), ...(chunk.dynamicImports ?? [])]) walk(next);
  };
  walk(page);
  return [...files].filter((file) => !/\.html$|\.wasm$|\/read-in-|(cyrillic|greek|vietnamese).*\.woff2?$/.test(file)).sort();
}

/** What is kept: files whose names carry their hash, and the page that all others begin from. */
export function keptFiles() {
  const manifest = JSON.parse(readFileSync(join(dist, ".vite", "manifest.json"), "utf8"));
  const revision = createHash("sha256")
    .update(readFileSync(join(dist, "home.html")))
    .digest("hex")
    .slice(0, 16);
  return [...filesOf("home.html", manifest).map((file) => ({ url: `/${file}`, revision: null })), { url: "/h", revision }];
}
