import type { StaffDoc, StaffInput } from "@lampcrate/contract";
import { and, asc, count, eq, ne } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { staff } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField, notFound } from "../../http/problem.ts";
import { newId } from "../ids.ts";
import { trail } from "./audit.ts";
import { hashPassword, refuseWeak } from "./passwords.ts";
import type { Person } from "./person.ts";
import { endSessionsOf } from "./signIn.ts";

const shown = { id: staff.id, name: staff.name, signIn: staff.signIn, role: staff.role, active: staff.active };

/** Everyone on the staff, by name. */
export function staffList(db: Store): readonly StaffDoc[] {
  return db.select(shown).from(staff).where(eq(staff.gone, false)).orderBy(asc(staff.name)).all();
}

/** Adds a person. Throws 422 by field. */
export async function addStaff(deps: Deps, by: Person, input: StaffInput): Promise<StaffDoc> {
  const { password = "", ...values } = input;
  refuseTaken(deps.db, input.signIn, "");
  refuseWeak(password, [input.name, input.signIn]);
  const passwordHash = await hashPassword(password);
  return deps.db.transaction((tx) => {
    refuseTaken(tx, input.signIn, "");
    trail(tx, deps.clock(), by, "people", `added ${input.name} as ${input.role}`);
    return tx
      .insert(staff)
      .values({ ...values, id: newId(), passwordHash })
      .returning(shown)
      .get();
  });
}

/** Changes a person; a new password ends their sessions. The last active planner stays one. */
export async function saveStaff(deps: Deps, by: Person, id: string, input: StaffInput): Promise<StaffDoc> {
  const { password, ...values } = input;
  if (password !== undefined) refuseWeak(password, [input.name, input.signIn]);
  const passwordHash = password === undefined ? undefined : await hashPassword(password);
  return deps.db.transaction((tx) => {
    const before = there(tx, id);
    refuseTaken(tx, input.signIn, id);
    if (input.role !== "planner" || !input.active) refuseLastPlanner(tx, id, "role");
    if (passwordHash !== undefined || !input.active) endSessionsOf({ db: tx }, id);
    trail(tx, deps.clock(), by, "people", `changed ${before.name}${changeWords(before, input)}`);
    return tx
      .update(staff)
      .set({ ...values, ...(passwordHash === undefined ? {} : { passwordHash }) })
      .where(eq(staff.id, id))
      .returning(shown)
      .get();
  });
}

/** Deletes a person: no sign-in is left. Their name stays where they did something. The last active planner stays. */
export function removeStaff(deps: Deps, by: Person, id: string): readonly StaffDoc[] {
  return deps.db.transaction((tx) => {
    const before = there(tx, id);
    refuseLastPlanner(tx, id, "id");
    endSessionsOf({ db: tx }, id);
    // No name that can be typed, and no hash that a password has.
    tx.update(staff)
      .set({ gone: true, active: false, signIn: `gone ${id}`, passwordHash: "" })
      .where(eq(staff.id, id))
      .run();
    trail(tx, deps.clock(), by, "people", `deleted ${before.name}`);
    return staffList(tx);
  });
}

type StaffRow = typeof staff.$inferSelect;

function there(db: Store, id: string): StaffRow {
  const found = db.select().from(staff).where(eq(staff.id, id)).get();
  if (!found || found.gone) throw notFound("person");
  return found;
}

function changeWords(before: StaffRow, { name, role, active, password }: StaffInput): string {
  const parts = [
    name === before.name ? null : `the name to ${name}`,
    role === before.role ? null : `from ${before.role} to ${role}`,
    active === before.active ? null : active ? "may sign in again" : "may no longer sign in",
    password === undefined ? null : "a new password",
  ].filter((part) => part !== null);
  return parts.length === 0 ? "" : `: ${parts.join(", ")}`;
}

function refuseLastPlanner(db: Store, id: string, field: string): void {
  const planners =
    db
      .select({ n: count() })
      .from(staff)
      .where(and(eq(staff.role, "planner"), eq(staff.active, true), ne(staff.id, id)))
      .get()?.n ?? 0;
  if (planners === 0) throw badField(field, "This is the last planner. Make somebody else a planner first.");
}

function refuseTaken(db: Store, signIn: string, id: string): void {
  const taken = db
    .select()
    .from(staff)
    .where(and(eq(staff.signIn, signIn), ne(staff.id, id)))
    .get();
  if (taken) throw badField("signIn", "Somebody has this sign-in name already.");
}
