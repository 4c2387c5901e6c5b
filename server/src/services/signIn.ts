import type { Role, SignInInput } from "@lampcrate/contract";
import { hash, verify } from "@node-rs/argon2";
import { eq, lt } from "drizzle-orm";
import { signedIn, staff } from "../db/schema/index.ts";
import type { Deps } from "../deps.ts";
import type { Attempts } from "../http/attempts.ts";
import { badField } from "../http/problem.ts";
import { hashOf } from "../http/security.ts";
import { newSecret } from "./ids.ts";

/** Who is signed in. */
export interface Person {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
}

/** How long a sign-in lasts without use, ms. */
export const signInMs = 12 * 3600_000;

/** argon2id with the package's own parameters (19 MiB, 2 passes: the OWASP minimum). */
export function hashPassword(password: string): Promise<string> {
  return hash(password);
}

/** A hash that no password has, so that unknown names take as long as known ones. */
const nobody = hash(newSecret());

/** Checks name and password and opens a session; gives its secret. Throws 422 when they don't match, 429 after too many tries. */
export async function signIn(deps: Deps, attempts: Attempts, input: SignInInput): Promise<{ secret: string; person: Person }> {
  const name = input.signIn.toLowerCase();
  attempts.check(name);
  const [found] = deps.db.select().from(staff).where(eq(staff.signIn, name)).all();
  const matches = await verify(found?.passwordHash ?? (await nobody), input.password);
  if (!found || !matches || !found.active) {
    attempts.failed(name);
    throw badField("password", "Name and password don't match.");
  }
  attempts.succeeded(name);
  const secret = newSecret();
  deps.db.delete(signedIn).where(lt(signedIn.until, deps.clock())).run();
  deps.db
    .insert(signedIn)
    .values({ tokenHash: hashOf(secret), staffId: found.id, until: deps.clock() + signInMs })
    .run();
  return { secret, person: { id: found.id, name: found.name, role: found.role } };
}

/** Whose session this is; null when there is none, or it has run out. Use moves its end on. */
export function personOf(deps: Deps, secret: string | undefined): Person | null {
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
  if (found.until < now + signInMs / 2)
    deps.db
      .update(signedIn)
      .set({ until: now + signInMs })
      .where(eq(signedIn.tokenHash, tokenHash))
      .run();
  return { id: found.id, name: found.name, role: found.role };
}

/** Ends a session. */
export function signOut(deps: Deps, secret: string | undefined): void {
  if (secret)
    deps.db
      .delete(signedIn)
      .where(eq(signedIn.tokenHash, hashOf(secret)))
      .run();
}

/** Ends all sessions of a person, as when their password changes. */
export function endSessionsOf(deps: Pick<Deps, "db">, staffId: string): void {
  deps.db.delete(signedIn).where(eq(signedIn.staffId, staffId)).run();
}
