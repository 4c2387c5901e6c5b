import {
  type Dimension,
  parseQuantity,
  parseShare,
  refusalWords,
  showNumber,
  showQuantity,
  type Token,
  type UnitChoice,
  unitById,
} from "@lampcrate/core";

/** How a ruler reads and shows its numbers. Values are SI, or a share from 0 to 1. */
export interface Scale {
  /** SI value of one shown unit. */
  readonly factor: number;
  readonly unit: string;
  /** Ticks are no closer than this, in the shown unit: things are counted whole. */
  readonly least?: number;
  readonly show: (value: number) => string;
  readonly read: (text: string) => { readonly ok: true; readonly value: number } | { readonly ok: false; readonly words: string };
}

/** A scale for a measured quantity, in the unit the field or the house prefers. */
export function quantityScale(
  dimension: Dimension,
  choice: UnitChoice,
  preferred: string | undefined,
  typical: number,
  token?: Token,
): Scale {
  const unit = dimension === "count" ? null : shownUnit(dimension, choice, preferred, typical);
  const asked = { dimension, defaultUnit: unit, token };
  return {
    factor: unit === null ? 1 : unitById(unit).factor,
    unit: unit ?? "",
    least: dimension === "count" ? 1 : 0,
    show: (value) =>
      dimension === "time"
        ? `${showNumber(value, Number.isInteger(Math.round(value * 1000) / 1000) ? 0 : 2)}\u00a0s`
        : showQuantity(value, dimension, choice, unit),
    read: (text) => {
      const read = parseQuantity(text, asked);
      return read.ok ? { ok: true, value: read.si } : { ok: false, words: refusalWords(read.reason, text, asked) };
    },
  };
}

/** A field's own unit in metric houses; inches, feet, ounces and pounds elsewhere. */
function shownUnit(dimension: Dimension, choice: UnitChoice, preferred: string | undefined, typical: number): string {
  if (dimension === "time") return "s";
  if (dimension === "angle") return "deg";
  if (dimension === "speed") return choice === "metric" ? "m/s" : "ft/s";
  if (choice === "metric" && preferred !== undefined) return preferred;
  if (dimension === "mass") return choice === "metric" ? "g" : typical >= 0.4 ? "lb" : "oz";
  return choice === "metric" ? (typical >= 1.5 ? "m" : "cm") : typical >= 1.5 ? "ft" : "in";
}

/** A scale for a share, typed as per cent. */
export const shareScale: Scale = {
  factor: 0.01,
  unit: "%",
  show: (value) => `${showNumber(value * 100, Number.isInteger(Math.round(value * 1000) / 10) ? 0 : 1)} %`,
  read: (text) => {
    const read = parseShare(text);
    return read.ok ? { ok: true, value: read.share } : read;
  },
};

/** Ticks at round numbers of the shown unit, about `most` of them, at least `least` apart. */
export function ticksOf(min: number, max: number, factor: number, most = 6, least = 0): readonly number[] {
  const span = (max - min) / factor;
  const rough = Math.max(span / most, least);
  const size = 10 ** Math.floor(Math.log10(rough));
  const step = ([1, 2, 5, 10].find((m) => m * size >= rough) ?? 10) * size;
  const ticks: number[] = [];
  for (let t = Math.ceil(min / factor / step - 1e-9) * step; t <= max / factor + step * 1e-6; t += step) ticks.push(t * factor);
  return ticks;
}

/** A number under a ruler's tick. */
export interface TickWords {
  readonly value: number;
  readonly words: string;
  /** Where it hangs: centred at a share of the ruler's width, or at one of its ends. */
  readonly at: number | "start" | "end";
}

/** The narrowest a ruler is drawn, and the widest a figure is in its small type, px. */
const narrowestPx = 170;
const figurePx = 6.6;

/** Numbers at about six ticks, the last with the unit; those that would touch it are left out, however narrow the ruler. */
export function tickWords(
  min: number,
  max: number,
  { factor, least, unit }: Scale,
  shareOf: (value: number) => number,
): readonly TickWords[] {
  const ticks = ticksOf(min, max, factor, 6, least);
  const all = ticks.map((value, i): TickWords => {
    const figures = String(Number((value / factor).toPrecision(6)));
    const share = shareOf(value);
    return {
      value,
      words: i === ticks.length - 1 ? `${figures} ${unit}`.trim() : figures,
      at: share > 0.94 ? "end" : share < 0.04 ? "start" : share,
    };
  });
  const last = all.at(-1);
  return all.filter((one) => one === last || !last || edgesOf(one)[1] + figurePx / 2 <= edgesOf(last)[0]);
}

/** From where to where it reaches on the narrowest ruler, px. */
function edgesOf({ at, words }: TickWords): readonly [left: number, right: number] {
  const width = words.length * figurePx;
  if (at === "start") return [0, width];
  if (at === "end") return [narrowestPx - width, narrowestPx];
  return [at * narrowestPx - width / 2, at * narrowestPx + width / 2];
}
