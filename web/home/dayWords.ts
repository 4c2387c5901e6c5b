import { dateWords } from "@lampcrate/core";

/** The day of an instant where the device is, in words. */
export const dayWords = (at: number): string => dateWords(new Date(at).toLocaleDateString("sv"));
