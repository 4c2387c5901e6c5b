import type { Role } from "@lampcrate/contract";

/** Who is signed in. */
export interface Person {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
}
