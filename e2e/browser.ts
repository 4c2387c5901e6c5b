import { type Browser, chromium } from "@playwright/test";

/** Debian's Chromium, quiet about hosts it can't reach. */
export const chromiumPath = process.env["LAMPCRATE_CHROMIUM"] ?? "/usr/bin/chromium";

export const chromiumArgs = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
];

export function launch(): Promise<Browser> {
  return chromium.launch({ executablePath: chromiumPath, args: chromiumArgs });
}
