import type { AuditArea, TrailNote } from "@lampcrate/contract";
import { and, desc, eq, lt, or } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { audit } from "../../db/schema/index.ts";
import type { Person } from "./person.ts";

/** Lines of the trail that one page holds. */
const pageSize = 100;

/** Writes a line of the trail, in the transaction of what it tells of. No child's words or made-up names, ever. */
export function trail(db: Store, at: number, by: Pick<Person, "id" | "name"> | "a family" | null, area: AuditArea, what: string): void {
  db.insert(audit)
    .values({ at, ...whoOf(by), area, what })
    .run();
}

function whoOf(by: Parameters<typeof trail>[2]): { staffId: string | null; who: string } {
  if (by === null) return { staffId: null, who: "the server" };
  return by === "a family" ? { staffId: null, who: by } : { staffId: by.id, who: by.name };
}

/** The trail, newest first; `before` is the last line of the page before. */
export function trailPage(db: Store, before: Pick<TrailNote, "at" | "id"> | null): readonly TrailNote[] {
  const { id, at, who, area, what } = audit;
  return db
    .select({ id, at, who, area, what })
    .from(audit)
    .where(before === null ? undefined : or(lt(audit.at, before.at), and(eq(audit.at, before.at), lt(audit.id, before.id))))
    .orderBy(desc(audit.at), desc(audit.id))
    .limit(pageSize)
    .all();
}
