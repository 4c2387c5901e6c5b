import { expect, it } from "vitest";
import { doorsWords } from "../desk/floor/doors.ts";

it.each([
  [9, 90, 180, "Doors open: last entry in 1 h 21 min, closes in 1 h 21 min"],
  [9, 90, 60, "Doors open: last entry in 51 min, closes in 1 h 21 min"],
  [60, 90, 60, "Nobody in any more: closes in 30 min"],
  [30, 90, null, "Doors open: last entry in 1 h 0 min, closes in 1 h 0 min"],
] as const)("%i min into %i with last entry at %s: %s", (past, minutes, lastEntryMin, words) => {
  expect(doorsWords(past, minutes, lastEntryMin)).toBe(words);
});
