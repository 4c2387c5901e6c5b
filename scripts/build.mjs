// Builds the interface and bundles the server and the demo loader. Skips what has not changed since.
import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join, relative } from "node:path";
import { pathToFileURL } from "node:url";
import { gzipSync } from "node:zlib";
import { ensureInstalled, giveUp, root, run } from "./ensure.mjs";
import { familyFiles, floorFiles } from "./keeper.mjs";
import { inlineStyles } from "./styles.mjs";

const sources = [
  "core/src",
  "contract/src",
  "words/src",
  "server/src",
  "server/migrations",
  "demo/src",
  "docs/formats",
  "web",
  "package-lock.json",
  "scripts/build.mjs",
  "scripts/keeper.mjs",
  "scripts/styles.mjs",
];

function* filesBelow(path) {
  if (!statSync(path).isDirectory()) {
    yield path;
    return;
  }
  for (const name of readdirSync(path).sort()) if (!["node_modules", "dist"].includes(name)) yield* filesBelow(join(path, name));
}

function fingerprint() {
  const hash = createHash("sha256");
  for (const source of sources)
    for (const file of filesBelow(join(root, source))) hash.update(relative(root, file)).update(readFileSync(file));
  return hash.digest("hex");
}

/** Bundles our own packages; what comes from the registry stays where it is. */
async function bundle(entry, outfile) {
  const { build } = await import("esbuild");
  await build({
    entryPoints: [join(root, entry)],
    outfile: join(root, outfile),
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    logLevel: "warning",
    sourcemap: true,
    jsx: "automatic",
    loader: { ".css": "empty" },
    plugins: [
      {
        name: "ours-in",
        setup: (b) =>
          b.onResolve({ filter: /^[^./]/ }, (args) =>
            args.path.startsWith("@lampcrate/") || args.kind === "entry-point" ? null : { path: args.path, external: true },
          ),
      },
    ],
  });
}

/** Names this build in its pages, by what they load: a page that is still open knows by it when the server has another. */
function stampPages() {
  const pages = ["index.html", "home.html"].map((name) => join(root, "web", "dist", name));
  const hash = createHash("sha256");
  for (const page of pages) hash.update(readFileSync(page));
  const id = hash.digest("hex").slice(0, 12);
  for (const page of pages)
    writeFileSync(page, readFileSync(page, "utf8").replace('name="build" content=""', `name="build" content="${id}"`));
}

/** Bundles a worker that keeps pages on a device: a file of its own, under a name that stays. */
async function bundleKeeper(entry, name, files) {
  const { build } = await import("esbuild");
  await build({
    entryPoints: [join(root, entry)],
    outfile: join(root, "web/dist", name),
    bundle: true,
    minify: true,
    format: "iife",
    target: "es2022",
    logLevel: "warning",
    define: { KEPT_FILES: JSON.stringify(files), "process.env.NODE_ENV": '"production"' },
  });
}

function zip(folder) {
  for (const file of filesBelow(folder))
    if (/\.(js|css|svg)$/.test(file)) writeFileSync(`${file}.gz`, gzipSync(readFileSync(file), { level: 9 }));
}

/** Builds everything, unless the sources are those of the last build. */
export async function ensureBuilt() {
  const stamp = join(root, "server", "dist", ".built");
  const now = fingerprint();
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === now && existsSync(join(root, "web", "dist", "index.html"))) return;
  console.log("Building.");
  for (const config of ["vite.config.ts", "vite.home.config.ts"])
    if (run("npx", ["--no-install", "vite", "build", "--logLevel", "warn", "--config", `web/${config}`, "web"]) !== 0)
      giveUp("The interface could not be built.");
  inlineStyles(join(root, "web", "dist"));
  stampPages();
  await bundleKeeper("web/home/keeper/worker.ts", "keeper.js", familyFiles());
  await bundleKeeper("web/desk/floor/keeper/worker.ts", "floor-keeper.js", floorFiles());
  zip(join(root, "web", "dist", "assets"));
  await bundle("server/src/main.ts", "server/dist/main.js");
  await bundle("server/src/house.ts", "server/dist/house.js");
  await bundle("server/src/bench.ts", "server/dist/bench.js");
  await bundle("server/src/reckoning/thread.ts", "server/dist/reckonThread.js");
  await bundle("web/home/onServer.tsx", "server/dist/familyPages.js");
  await bundle("demo/src/load.ts", "server/dist/loadDemo.js");
  writeFileSync(stamp, now);
}

if (import.meta.url === pathToFileURL(process.argv[1]).href) {
  ensureInstalled();
  await ensureBuilt();
}
