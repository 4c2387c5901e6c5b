/** Instants are ms since 1970, UTC; dates are local "2026-12-05"; money is whole cents; lengths, masses, times REAL SI. */
export * from "./brief.ts";
export * from "./entry.ts";
export * from "./house.ts";
export * from "./letter.ts";
export * from "./material.ts";
export * from "./prize.ts";
export * from "./run.ts";
export * from "./store.ts";
