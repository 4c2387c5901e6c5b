/** What a number can measure. */
export type Dimension = "length" | "mass" | "time" | "count" | "angle" | "speed";

/** A unit people may type or be shown. */
export interface Unit {
  readonly id: string;
  readonly dimension: Dimension;
  /** SI value of one of it. */
  readonly factor: number;
  /** Every spelling read, in lower case. */
  readonly names: readonly string[];
}

const unit = (id: string, dimension: Dimension, factor: number, ...names: string[]): Unit => ({
  id,
  dimension,
  factor,
  names: [id, ...names],
});

const pound = 0.45359237;

/** Units by dimension, in the order in which slips are searched. International yard and pound agreement, 1959. */
export const units: readonly Unit[] = [
  unit("mm", "length", 0.001, "millimetre", "millimetres", "millimeter", "millimeters"),
  unit("cm", "length", 0.01, "centimetre", "centimetres", "centimeter", "centimeters"),
  unit("m", "length", 1, "metre", "metres", "meter", "meters"),
  unit("in", "length", 0.0254, '"', "inch", "inches"),
  unit("ft", "length", 0.3048, "'", "foot", "feet"),
  unit("yd", "length", 0.9144, "yard", "yards", "yds"),
  unit("g", "mass", 0.001, "gm", "gms", "gram", "grams", "gramme", "grammes"),
  unit("kg", "mass", 1, "kgs", "kilogram", "kilograms", "kilogramme", "kilogrammes"),
  unit("oz", "mass", pound / 16, "ounce", "ounces"),
  unit("lb", "mass", pound, "lbs", "pound", "pounds"),
  unit("s", "time", 1, '"', "sec", "secs", "second", "seconds"),
  unit("min", "time", 60, "m", "'", "mins", "minute", "minutes"),
  unit("h", "time", 3600, "hr", "hrs", "hour", "hours"),
  unit("deg", "angle", Math.PI / 180, "°", "degree", "degrees"),
  unit("m/s", "speed", 1),
  unit("km/h", "speed", 1 / 3.6, "kmh"),
  unit("ft/s", "speed", 0.3048),
  unit("mph", "speed", 0.44704),
];

/** The unit a spelling means when this dimension is asked; null when it names none. */
export function unitNamed(name: string, dimension: Dimension): Unit | null {
  return units.find((u) => u.dimension === dimension && u.names.includes(name)) ?? null;
}

/** The dimension of a spelling when it is not the one asked; null when the word is no unit at all. */
export function dimensionOf(name: string): Dimension | null {
  return units.find((u) => u.names.includes(name))?.dimension ?? null;
}

/** A unit by its id. Throws on an id that is none: ids come from our own code. */
export function unitById(id: string): Unit {
  const found = units.find((u) => u.id === id);
  if (!found) throw new Error(`no unit has the id ${id}`);
  return found;
}
