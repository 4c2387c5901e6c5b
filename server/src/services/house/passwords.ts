import { hash, verify } from "@node-rs/argon2";
import { ZxcvbnFactory } from "@zxcvbn-ts/core";
import { adjacencyGraphs, dictionary } from "@zxcvbn-ts/language-common";
import { badField, Problem } from "../../http/problem.ts";
import { newSecret } from "../ids.ts";

const strength = new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs, maxLength: 64 });

/** Passwords hashed at the same time at most: each takes 19 MiB and a thread. */
const mostAtOnce = 4;
/** Those that may wait for it; a flood of sign-ins is turned away before it fills the memory. */
const mostWaiting = 40;

/**
 * Refuses passwords that a guesser tries early: common ones, runs of keys, the person's or the house's own name.
 * Length first: the contract asks for ten characters, and any longer phrase passes. Throws 422 at `field`.
 */
export function refuseWeak(password: string, own: readonly string[], field = "password"): void {
  const { score } = strength.check(
    password,
    own.flatMap((words) => [words, words.replace(/\s+/g, ""), ...words.split(/\s+/)]).filter(Boolean),
  );
  if (score < 2)
    throw badField(field, "This password is among the first that a guesser tries. Take a few words that don't belong together instead.");
}

/** argon2id with the package's own parameters (19 MiB, 2 passes: the OWASP minimum). */
export function hashPassword(password: string): Promise<string> {
  return inTurn(() => hash(password));
}

/** A hash that no password has, so that unknown names take as long as known ones. */
const nobody = hash(newSecret());

/** Whether a password is that of a hash; false, after as long, where there is none. */
export function matches(passwordHash: string | undefined, password: string): Promise<boolean> {
  return inTurn(async () => (await verify(passwordHash || (await nobody), password)) && Boolean(passwordHash));
}

let [atWork, waiting] = [0, [] as (() => void)[]];

async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (atWork >= mostAtOnce) {
    if (waiting.length >= mostWaiting)
      throw new Problem(503, "Busy", "Many people are signing in at this moment. Try again in a few seconds.", {}, { "retry-after": "5" });
    await new Promise<void>((go) => waiting.push(go));
  }
  atWork += 1;
  try {
    return await work();
  } finally {
    atWork -= 1;
    waiting.shift()?.();
  }
}
