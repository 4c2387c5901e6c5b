import type { Section } from "../span/strut.ts";

/** A stick's nominal properties, SI. */
export interface Stick {
  readonly words: string;
  readonly lengthM: number;
  /** kg/m */
  readonly lineMass: number;
  readonly section: Section;
  readonly stiffnessPa: number;
  readonly bendingPa: number;
  readonly tensilePa: number;
}

/** Material defaults of the model. */
export const sticks: Readonly<Record<string, Stick>> = {
  spaghetti: {
    words: "dry spaghetti",
    lengthM: 0.25,
    lineMass: 0.0038,
    section: { diameterM: 0.0018 },
    stiffnessPa: 4e9,
    bendingPa: 40e6,
    tensilePa: 25e6,
  },
  "paper-straw": {
    words: "paper straw",
    lengthM: 0.197,
    lineMass: 0.0053,
    section: { diameterM: 0.006, innerM: 0.0052 },
    stiffnessPa: 2.5e9,
    bendingPa: 12e6,
    tensilePa: 30e6,
  },
  "plastic-straw": {
    words: "plastic straw",
    lengthM: 0.2,
    lineMass: 0.0025,
    section: { diameterM: 0.006, innerM: 0.0057 },
    stiffnessPa: 1.4e9,
    bendingPa: 30e6,
    tensilePa: 30e6,
  },
  "flat-stick": {
    words: "flat wooden stick",
    lengthM: 0.114,
    lineMass: 0.013,
    section: { widthM: 0.01, thicknessM: 0.002 },
    stiffnessPa: 10e9,
    bendingPa: 80e6,
    tensilePa: 80e6,
  },
  skewer: {
    words: "wooden skewer",
    lengthM: 0.25,
    lineMass: 0.0053,
    section: { diameterM: 0.003 },
    stiffnessPa: 12e9,
    bendingPa: 90e6,
    tensilePa: 100e6,
  },
  balsa: {
    words: "balsa strip",
    lengthM: 0.91,
    lineMass: 0.0014,
    section: { widthM: 0.003, thicknessM: 0.003 },
    stiffnessPa: 3.5e9,
    bendingPa: 12e6,
    tensilePa: 20e6,
  },
};

/** Strength of one joint, N. */
export const jointN: Readonly<Record<string, number>> = { "tape-peels": 15, "tape-holds": 25, glue: 40, band: 5, clay: 1 };

/** Lines that a span may hang from. */
export const lines: Readonly<Record<string, { areaM2: number; stiffnessPa: number; breakN: number }>> = {
  "cotton-string": { areaM2: (Math.PI * 0.0015 ** 2) / 4, stiffnessPa: 1.5e9, breakN: 100 },
  thread: { areaM2: (Math.PI * 0.0003 ** 2) / 4, stiffnessPa: 3e9, breakN: 10 },
};
