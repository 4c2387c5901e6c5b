import type { VersionInput } from "@lampcrate/contract";
import { seedOf, uniformAt, wholeBelow } from "@lampcrate/core";
import sharp from "sharp";

/** Points of a photo. */
const [width, height] = [1200, 900];

/** Points a metre in a photo: what lies on the table is drawn to scale, with a ruler beside it. */
const scale = 2600;

/**
 * A made-up photo of a version, drawn by this script: the build on a kitchen table under a lamp, with a ruler beside it.
 * JPEG; the same at every load.
 */
export function photoOf(name: string, { variables }: VersionInput): Promise<Buffer> {
  const seed = seedOf("photo", name);
  const wood = 24 + 14 * uniformAt(seed, 0, 0);
  const turn = -14 + 28 * uniformAt(seed, 1, 0);
  const build = drawn(variables, hueOf(seed));
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">
  <defs>
    <radialGradient id="lamp" cx="0.3" cy="0.2" r="1"><stop offset="0" stop-color="#fff3d0" stop-opacity="0.55"/><stop offset="1" stop-color="#201408" stop-opacity="0.45"/></radialGradient>
  </defs>
  <rect width="100%" height="100%" fill="hsl(${wood} 42% 58%)"/>
  ${boards(seed, wood)}
  <g transform="translate(600 420) rotate(${turn})">${build}</g>
  <g transform="translate(210 770) rotate(${turn / 6})">${ruler(0.3)}</g>
  <rect width="100%" height="100%" fill="url(#lamp)"/>
</svg>`;
  return sharp(Buffer.from(svg)).resize(900).jpeg({ quality: 86 }).toBuffer();
}

/** The table's boards, each a little lighter or darker than the next, with a few lines of grain. */
function boards(seed: number, hue: number): string {
  return Array.from({ length: 6 }, (_, i) => {
    const y = i * 150;
    const grain = [0, 1, 2].map((j) => {
      const at = y + 20 + 40 * j + 20 * uniformAt(seed, 10 + i, j);
      return `<path d="M0 ${at} q300 ${-12 + 24 * uniformAt(seed, 20 + i, j)} 600 0 t600 0" fill="none" stroke="hsl(${hue} 40% 48%)" stroke-width="2" opacity="0.5"/>`;
    });
    return `<rect x="0" y="${y}" width="${width}" height="148" fill="hsl(${hue} 42% ${54 + 8 * uniformAt(seed, 30 + i, 0)}%)"/>${grain.join("")}`;
  }).join("");
}

const hueOf = (seed: number): number => wholeBelow(12, seed, 2) * 30;

function drawn(variables: VersionInput["variables"], hue: number): string {
  const { form, wallM, canopyM, sizeM } = variables;
  if (form !== undefined) return boardwalk(String(form), hue);
  if (wallM !== undefined) return cabin(Number(wallM), hue);
  if (canopyM !== undefined) return canopy(Number(canopyM), hue);
  return spinner(Number(sizeM ?? 0.07), hue);
}

/** A cup on straw legs from the side, two riders looking over its wall. `wall` in m. */
function cabin(wall: number, hue: number): string {
  const [deep, wide] = [wall * scale, 0.07 * scale];
  const leg = (x: number, foot: number): string =>
    `<path d="M${x} ${deep} L${foot} ${deep + 150}" stroke="hsl(${hue} 70% 62%)" stroke-width="14"/>`;
  const rider = (x: number): string =>
    `<circle cx="${x}" cy="-6" r="38" fill="hsl(${(hue + 160) % 360} 60% 66%)" stroke="#5b5347" stroke-width="2"/>`;
  return [
    leg(-wide * 0.7, -wide * 1.3),
    leg(0, 0),
    leg(wide * 0.7, wide * 1.3),
    rider(-44),
    rider(44),
    `<path d="M${-wide} 0 L${-wide * 0.8} ${deep} H${wide * 0.8} L${wide} 0 z" fill="hsl(${hue} 45% 86%)" stroke="#5b5347" stroke-width="3"/>`,
  ].join("");
}

/** A square canopy laid flat, its lines drawn together to half an egg tray. `side` in m; drawn a third as large as it is. */
function canopy(side: number, hue: number): string {
  const half = (side * scale) / 6;
  const lines = [-half, half].map((x) => `<path d="M${x} ${half * 0.4} L0 ${half + 150}" stroke="#5b5347" stroke-width="3"/>`).join("");
  return `<path d="M${-half} ${-half} H${half} L${half * 0.94} ${half * 0.4} H${-half * 0.96} z" fill="hsl(${hue} 30% 90%)" stroke="#5b5347" stroke-width="2" opacity="0.9"/>${lines}<path d="M-90 ${half + 150} q30 46 60 0 q30 46 60 0 q30 46 60 0 v54 h-180 z" fill="#9c9389" stroke="#5b5347" stroke-width="2"/>`;
}

/** A wing spinner seen from above: two wings spread, a stem with a clip. `wing` in m. */
function spinner(wing: number, hue: number): string {
  const [long, wide] = [wing * scale, 0.03 * scale];
  const paper = `hsl(${hue} 62% 80%)`;
  const part = (points: string, fill: string): string => `<polygon points="${points}" fill="${fill}" stroke="#5b5347" stroke-width="2"/>`;
  return [
    part(`0,0 ${-long},${-wide * 0.2} ${-long},${wide * 0.8} 0,${wide}`, paper),
    part(`0,0 ${long},${-wide * 0.6} ${long},${wide * 0.4} 0,${wide}`, `hsl(${hue} 62% 72%)`),
    part(`${-wide / 2},${wide} ${wide / 2},${wide} ${wide / 4},${wide + 0.06 * scale} ${-wide / 4},${wide + 0.06 * scale}`, paper),
    `<path d="M-9 ${wide + 130} v50 a9 9 0 0 0 18 0 v-62 a6 6 0 0 0 -12 0 v48" fill="none" stroke="#8c929a" stroke-width="5"/>`,
  ].join("");
}

/** A folded deck between two books, from the side, a bag hung below. */
function boardwalk(form: string, hue: number): string {
  const book = (x: number, tone: number): string =>
    `<rect x="${x}" y="0" width="190" height="170" fill="hsl(${tone} 40% 40%)" stroke="#2a2320" stroke-width="3"/><rect x="${x}" y="22" width="190" height="9" fill="#efe6cf"/>`;
  const folds = Array.from({ length: 16 }, (_, i) => `${-330 + i * 44},${i % 2 ? -34 : 0}`).join(" ");
  const faces = form === "sandwich" ? `<path d="M-330 -38 H330 M-330 4 H330" stroke="hsl(${hue} 35% 62%)" stroke-width="9"/>` : "";
  return [
    book(-440, hue),
    book(250, (hue + 140) % 360),
    `<polyline points="${folds}" fill="none" stroke="hsl(${hue} 35% 82%)" stroke-width="8"/>`,
    faces,
    `<path d="M0 0 V70" stroke="#3b3b3b" stroke-width="4"/><path d="M-62 70 h124 l-16 110 h-92 z" fill="#d9c9a0" stroke="#5b5347" stroke-width="3"/>`,
  ].join("");
}

/** A ruler with a stroke at each centimetre. `long` in m. */
function ruler(long: number): string {
  const strokes = Array.from({ length: Math.round(long * 100) + 1 }, (_, cm) => {
    const x = (cm / 100) * scale;
    return `<path d="M${x} 0 v${cm % 5 === 0 ? 30 : 16}" stroke="#333" stroke-width="2"/>${
      cm % 5 === 0 ? `<text x="${x}" y="52" font-size="22" font-family="sans-serif" text-anchor="middle" fill="#333">${cm}</text>` : ""
    }`;
  }).join("");
  return `<rect x="-14" y="0" width="${long * scale + 28}" height="66" rx="4" fill="#f3e2a9" stroke="#7b6a3a" stroke-width="2"/>${strokes}`;
}
