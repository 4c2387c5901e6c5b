import type { Store } from "../../db/open.ts";
import { person } from "../../db/schema/index.ts";

/** Who can be put on sessions, and whose steps can be. */
export const peopleIds = (db: Store): ReadonlySet<string> =>
  new Set(
    db
      .select({ id: person.id })
      .from(person)
      .all()
      .map(({ id }) => id),
  );
