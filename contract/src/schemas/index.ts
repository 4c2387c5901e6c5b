export { briefDoc, briefSave } from "./brief.ts";
export { calendarSave, feedInput } from "./calendar.ts";
export * from "./count.ts";
export * from "./entry.ts";
export { mostTapsAtOnce, tapsInput } from "./floor.ts";
export * from "./house.ts";
export { materialInput, materialSave, packMaterial } from "./material.ts";
export * from "./pack.ts";
export { id, line } from "./parts.ts";
export * from "./practice.ts";
export * from "./prize.ts";
export {
  duplicateInput,
  newRun,
  runSave,
  sessionInput,
  sessionRepeats,
  sessionSave,
  starterStart,
  stepMark,
} from "./run.ts";
export * from "./stock.ts";
export * from "./supplier.ts";
