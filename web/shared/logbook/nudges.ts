import { createContext } from "react";

/** Why what to try for a symptom is not told yet, in words; null: it is told with its question. */
export const NudgesShut = createContext<string | null>(null);
