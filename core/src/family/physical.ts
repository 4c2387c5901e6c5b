/** Standard gravity, m/s² (ISO 80000-3). */
export const gravity = 9.80665;
/** Air at about 20 °C, kg/m³. */
export const airDensity = 1.2;
/** Fresh water, kg/m³. */
export const waterDensity = 1000;
