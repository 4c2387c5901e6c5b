export * from "./brief.ts";
export * from "./count.ts";
export * from "./entry.ts";
export * from "./house.ts";
export * from "./material.ts";
export { id } from "./parts.ts";
export * from "./practice.ts";
export * from "./run.ts";
