export type * from "./brief.ts";
export type * from "./entry.ts";
export type * from "./findings.ts";
export type * from "./house.ts";
export type * from "./material.ts";
export type * from "./problem.ts";
export type * from "./public.ts";
export type * from "./run.ts";
