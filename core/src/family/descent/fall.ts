import { airDensity, gravity } from "../physical.ts";

/** Something falling with drag. */
export interface Faller {
  /** All that falls, canopy too, kg. */
  readonly massKg: number;
  /** Area its drag is reckoned on, m². */
  readonly areaM2: number;
  readonly drag: number;
}

/** Terminal speed, m/s: √(2 m g / (ρ C_d A)). */
export function terminalSpeed(faller: Faller): number {
  return Math.sqrt((2 * faller.massKg * gravity) / (airDensity * faller.drag * faller.areaM2));
}

/** 1 − e^(−2y), without losing digits when y is small. */
const grip = (y: number): number => -Math.expm1(-2 * y);

/**
 * Time to fall `heightM` from rest with drag, s (×÷1.3): (v_t/g)(y + ln(1 + √(1 − e^(−2y)))), y = g h/v_t².
 * Equal to (v_t/g) acosh(e^y), in a form that neither overflows when light nor loses digits when heavy.
 */
export function fallTime(faller: Faller, heightM: number): number {
  const v = terminalSpeed(faller);
  const y = (gravity * heightM) / v ** 2;
  return (v / gravity) * (y + Math.log1p(Math.sqrt(grip(y))));
}

/** Speed at the floor, m/s (×÷1.3): v_t √(1 − e^(−2y)). */
export function impactSpeed(faller: Faller, heightM: number): number {
  const v = terminalSpeed(faller);
  return v * Math.sqrt(grip((gravity * heightM) / v ** 2));
}

/** Time without any air, s: √(2h/g); nothing dropped is faster. */
export function freeFallTime(heightM: number): number {
  return Math.sqrt((2 * heightM) / gravity);
}

/** How many times longer with the canopy than without (×÷1.3). */
export function slowDown(faller: Faller, control: Faller, heightM: number): number {
  return fallTime(faller, heightM) / fallTime(control, heightM);
}

/** How far it has fallen after `timeS`, m: (v_t²/g) ln cosh(g t/v_t), without overflow. */
export function fallenAfter(faller: Faller, timeS: number): number {
  const v = terminalSpeed(faller);
  const x = (gravity * timeS) / v;
  // ln cosh x loses all digits when x is small, where it is x²/2 − x⁴/12.
  const lnCosh = x < 1e-3 ? x ** 2 / 2 - x ** 4 / 12 : x + Math.log1p(Math.exp(-2 * x)) - Math.LN2;
  return (v ** 2 / gravity) * lnCosh;
}
