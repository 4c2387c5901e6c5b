import type { SignInInput } from "@lampcrate/contract";
import { and, eq, lt, ne } from "drizzle-orm";
import { signedIn, staff } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import type { Attempts } from "../../http/attempts.ts";
import { badField } from "../../http/problem.ts";
import { newSecret } from "../ids.ts";
import { hashOf } from "../secrets.ts";
import { trail } from "./audit.ts";
import { hashPassword, matches, refuseWeak } from "./passwords.ts";
import type { Person } from "./person.ts";

/** How long a sign-in lasts without use, ms. */
export const signInMs = 12 * 3600_000;

/** Limits of guessing: by name from one address, and by name from anywhere. */
export interface SignInLimits {
  readonly here: Attempts;
  readonly anywhere: Attempts;
}

/** Checks name and password and opens a session; gives its secret. Throws 422 when they don't match, 429 after too many tries. */
export async function signIn(
  deps: Deps,
  limits: SignInLimits,
  address: string,
  input: SignInInput,
): Promise<{ secret: string; person: Person }> {
  const name = input.signIn.toLowerCase();
  const here = `${name} ${address}`;
  limits.here.take(here);
  limits.anywhere.take(name);
  const [found] = deps.db.select().from(staff).where(eq(staff.signIn, name)).all();
  const right = await matches(found?.passwordHash, input.password);
  if (!found || !right || !found.active) {
    // Only a name that is on the staff: what is typed by mistake may be a password.
    if (found) trail(deps.db, deps.clock(), null, "sign-in", `refused a sign-in as ${found.name}`);
    throw badField("password", "Name and password don't match.");
  }
  limits.here.forgive(here);
  limits.anywhere.forgive(name);
  return { secret: openSession(deps, found), person: { id: found.id, name: found.name, role: found.role } };
}

function openSession(deps: Deps, person: { readonly id: string; readonly name: string }): string {
  const secret = newSecret();
  const now = deps.clock();
  deps.db.transaction((tx) => {
    tx.delete(signedIn).where(lt(signedIn.until, now)).run();
    tx.insert(signedIn)
      .values({ tokenHash: hashOf(secret), staffId: person.id, until: now + signInMs })
      .run();
    trail(tx, now, person, "sign-in", "signed in");
  });
  return secret;
}

/** Whose session this is, and whether use has just moved its end on; null when there is none, or it has run out. */
export function sessionOf(deps: Deps, secret: string | undefined): { readonly person: Person; readonly movedOn: boolean } | null {
  if (!secret) return null;
  const tokenHash = hashOf(secret);
  const [found] = deps.db
    .select({ id: staff.id, name: staff.name, role: staff.role, active: staff.active, until: signedIn.until })
    .from(signedIn)
    .innerJoin(staff, eq(staff.id, signedIn.staffId))
    .where(eq(signedIn.tokenHash, tokenHash))
    .all();
  const now = deps.clock();
  if (!found?.active || found.until <= now) return null;
  const movedOn = found.until < now + signInMs / 2;
  if (movedOn)
    deps.db
      .update(signedIn)
      .set({ until: now + signInMs })
      .where(eq(signedIn.tokenHash, tokenHash))
      .run();
  return { person: { id: found.id, name: found.name, role: found.role }, movedOn };
}

/** Ends a session. */
export function signOut(deps: Deps, secret: string | undefined): void {
  if (secret)
    deps.db
      .delete(signedIn)
      .where(eq(signedIn.tokenHash, hashOf(secret)))
      .run();
}

/** Ends all sessions of a person, on whatever device. */
export function signOutEverywhere(deps: Deps, person: Person): void {
  deps.db.transaction((tx) => {
    endSessionsOf({ db: tx }, person.id);
    trail(tx, deps.clock(), person, "sign-in", "signed out everywhere");
  });
}

/** Ends all sessions of a person, as when their password changes, but the one given. */
export function endSessionsOf(deps: { readonly db: Pick<Deps["db"], "delete"> }, staffId: string, butSecret?: string): void {
  const theirs = eq(signedIn.staffId, staffId);
  deps.db
    .delete(signedIn)
    .where(butSecret === undefined ? theirs : and(theirs, ne(signedIn.tokenHash, hashOf(butSecret))))
    .run();
}

/** Changes one's own password, knowing the old one; ends one's sessions elsewhere. Throws 422 by field, 429. */
export async function changePassword(
  deps: Deps,
  limit: Attempts,
  person: Person,
  secret: string,
  input: { readonly current: string; readonly next: string },
): Promise<void> {
  limit.take(person.id);
  const found = deps.db.select().from(staff).where(eq(staff.id, person.id)).get();
  if (!found || !(await matches(found.passwordHash, input.current))) throw badField("current", "This is not your password now.");
  limit.forgive(person.id);
  refuseWeak(input.next, [found.name, found.signIn], "next");
  const passwordHash = await hashPassword(input.next);
  deps.db.transaction((tx) => {
    tx.update(staff).set({ passwordHash }).where(eq(staff.id, person.id)).run();
    endSessionsOf({ db: tx }, person.id, secret);
    trail(tx, deps.clock(), person, "sign-in", "changed their own password");
  });
}
