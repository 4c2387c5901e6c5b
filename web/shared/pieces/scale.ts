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
