// Checks the import rules, and that every source file was looked at: a parser that sees nothing would pass.
// The checker's parser knows no JSX, so it is given a mirror of the sources in which JSX is compiled and every import kept.
import { cpSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, symlinkSync, writeFileSync } from "node:fs";
import { dirname, join, relative } from "node:path";
import { cruise } from "dependency-cruiser";
import extractOptions from "dependency-cruiser/config-utl/extract-depcruise-options";
import { transformSync } from "esbuild";
import { root } from "./ensure.mjs";

const packages = ["core", "words", "contract", "server", "web", "demo", "e2e"];
const folders = [
  "core/src",
  "core/reference",
  "words/src",
  "contract/src",
  "server/src",
  "web/desk",
  "web/home",
  "web/shared",
  "demo/src",
  "e2e",
];
const mirror = join(root, ".imports");

function* sources(path) {
  for (const name of readdirSync(path)) {
    const full = join(path, name);
    if (["node_modules", "dist", "cases", "test-results"].includes(name)) continue;
    if (statSync(full).isDirectory()) yield* sources(full);
    else if (/\.(tsx?|css)$/.test(name) && !/\.tmp\.ts$/.test(name)) yield full;
  }
}

/** The same imports without JSX; `import type` counts as an import here, for the rules speak of those too. */
function withoutJsx(text) {
  return transformSync(
    text.replace(/^import type /gm, "import ").replace(/^import [^;]*?\{[^}]*\}/gm, (names) => names.replace(/\btype /g, "")),
    { loader: "tsx", jsx: "automatic", target: "esnext", tsconfigRaw: { compilerOptions: { verbatimModuleSyntax: true } } },
  ).code;
}

function makeMirror() {
  rmSync(mirror, { recursive: true, force: true });
  mkdirSync(join(mirror, "node_modules", "@lampcrate"), { recursive: true });
  for (const name of packages) {
    cpSync(join(root, name, "package.json"), join(mirror, name, "package.json"));
    symlinkSync(join(mirror, name), join(mirror, "node_modules", "@lampcrate", name));
  }
  cpSync(join(root, "docs", "formats"), join(mirror, "docs", "formats"), { recursive: true });
  const files = folders.flatMap((folder) => [...sources(join(root, folder))]);
  for (const file of files) {
    const to = join(mirror, relative(root, file));
    mkdirSync(dirname(to), { recursive: true });
    if (file.endsWith(".tsx")) writeFileSync(to, withoutJsx(readFileSync(file, "utf8")));
    else cpSync(file, to);
  }
  return files.filter((file) => /\.tsx?$/.test(file) && !file.endsWith(".d.ts")).map((file) => relative(root, file));
}

const files = makeMirror();
process.chdir(mirror);
const { output } = await cruise(folders, { ...(await extractOptions(join(root, ".dependency-cruiser.cjs"))), baseDir: mirror });
rmSync(mirror, { recursive: true, force: true });
const seen = new Set(output.modules.map((module) => module.source));
const unseen = files.filter((file) => !seen.has(file));
const arrows = output.modules.flatMap((module) => module.dependencies.map((to) => to.resolved)).filter((to) => files.includes(to)).length;
for (const { rule, from, to } of output.summary.violations) console.error(`${rule.name}: ${from} → ${to}`);
for (const file of unseen) console.error(`not looked at: ${file}`);
if (arrows < files.length) console.error(`only ${arrows} imports seen in ${files.length} files: the parser sees too little`);
if (output.summary.violations.length + unseen.length > 0 || arrows < files.length) process.exit(1);
console.log(`Import rules hold: ${files.length} modules, ${arrows} imports of our own.`);
