// The family page's styles stand in the page itself: over a slow line nothing is asked for before it can be read.
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";

/** Puts the style sheets of home.html into it. On a first visit words keep the device's own letters, rather than jump when ours come. */
export function inlineStyles(dist) {
  const file = join(dist, "home.html");
  const html = readFileSync(file, "utf8").replace(/<link rel="stylesheet"[^>]*href="([^"]+)"[^>]*>/g, (_, href) => {
    const css = readFileSync(join(dist, href), "utf8").replace(/font-display:\s*swap/g, "font-display:optional");
    return `<style>${css}</style>`;
  });
  writeFileSync(file, html);
}
