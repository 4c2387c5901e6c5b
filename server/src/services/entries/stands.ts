import { inArray } from "drizzle-orm";
import { entry } from "../../db/schema/index.ts";

/** Entries that families have in: all but those that they have taken out, and what the house tried itself. */
export const stands = inArray(entry.state, ["waiting", "accepted", "set aside"]);
