// Makes a fresh machine ready: Node's own modules only, for nothing is installed yet.
import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { fileURLToPath } from "node:url";

export const root = resolve(dirname(fileURLToPath(import.meta.url)), "..");
const stamp = join(root, "node_modules", ".lampcrate-installed");

/** Runs a command with its output shown; gives its exit code. */
export function run(command, args, env = {}) {
  const done = spawnSync(command, args, { cwd: root, stdio: "inherit", env: { ...process.env, ...env } });
  if (done.error) console.error(done.error.message);
  return done.status ?? 1;
}

/** Ends with one clear line. */
export function giveUp(words) {
  console.error(`\n${words}\n`);
  process.exit(1);
}

const has = (command) => spawnSync("sh", ["-c", `command -v ${command}`]).status === 0;

/** Installs packages when the lock file is not the one last installed from. */
export function ensureInstalled() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major < 20 || (major === 20 && minor < 19)) giveUp(`Lamp Crate needs Node 20.19 or newer; this is ${process.versions.node}.`);
  const wanted = createHash("sha256")
    .update(readFileSync(join(root, "package-lock.json")))
    .update(process.version)
    .digest("hex");
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === wanted) return;
  console.log("Installing packages. Where no ready-made database can be fetched it compiles, about two minutes the first time.");
  const headers = resolve(dirname(process.execPath), "..");
  const env = {};
  if (existsSync(join(headers, "include", "node", "node.h"))) env.npm_config_nodedir = headers;
  if (run("npm", ["ci", "--no-audit", "--no-fund", "--loglevel=error"], env) !== 0) {
    const missing = ["python3", "make", "g++"].filter((tool) => !has(tool));
    if (missing.length > 0)
      giveUp(`The database had to be compiled here, which needs ${missing.join(", ")}. On Debian: apt-get install -y python3 make g++`);
    giveUp("Packages could not be installed. Check that the npm registry can be reached, then run the same command again.");
  }
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, wanted);
}

/** Finds Chromium, installing Debian's where this may; null when there is none. */
export function ensureChromium() {
  const found = ["/usr/bin/chromium", "/usr/bin/chromium-browser", "/usr/bin/google-chrome"].find((path) => existsSync(path));
  if (found || process.env.LAMPCRATE_CHROMIUM) return process.env.LAMPCRATE_CHROMIUM ?? found;
  installDebian("Chromium for the browser tests", ["chromium"]);
  return existsSync("/usr/bin/chromium") ? "/usr/bin/chromium" : null;
}

/** Installs what is missing of Firefox, WebKit and a simulated screen for it; false where that can't be done here. */
export function ensureEngines() {
  const needed = { "firefox-esr": "/usr/bin/firefox-esr", "webkit2gtk-driver": "/usr/bin/WebKitWebDriver", xvfb: "/usr/bin/xvfb-run" };
  const missing = Object.keys(needed).filter((name) => !existsSync(needed[name]));
  if (missing.length > 0) installDebian("Firefox and WebKit", missing);
  return Object.values(needed).every((path) => existsSync(path));
}

function installDebian(what, packages) {
  if (process.getuid?.() !== 0 || !has("apt-get")) return;
  console.log(`Installing Debian's ${what}.`);
  if (run("apt-get", ["update", "-qq"]) === 0) run("apt-get", ["install", "-y", "-qq", ...packages], { DEBIAN_FRONTEND: "noninteractive" });
}
