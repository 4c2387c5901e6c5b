/** Values that a mark can stand at, of the field's own unit. */
export interface Steps {
  readonly min: number;
  readonly max: number;
  readonly step: number;
}

/** The step nearest to a value, within the range. */
export function onStep(raw: number, { min, max, step }: Steps): number {
  return Math.min(max, Math.max(min, Number((Math.round((raw - min) / step) * step + min).toPrecision(10))));
}

const steps: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 10, PageDown: -10 };

/** Where a key takes a mark: arrows by a step, Page Up and Page Down by ten, Home and End to the ends; null for any other key. */
export function keyedTo(key: string, value: number, range: Steps): number | null {
  if (key === "Home") return range.min;
  if (key === "End") return range.max;
  const by = steps[key];
  return by === undefined ? null : onStep(value + by * range.step, range);
}
