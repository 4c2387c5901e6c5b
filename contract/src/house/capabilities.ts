/** Who works in a house. */
export const roles = ["planner", "floor", "sifter"] as const;
export type Role = (typeof roles)[number];

/** What there is to do in a house, and who may; whoever is signed in may look at all but what is named here. */
const table = {
  /** Runs with their briefs, kits, days, sheets and practice builds. */
  plan: ["planner"],
  /** Materials, suppliers and orders. */
  supply: ["planner"],
  /** The house itself, its people, its trail and its copies. */
  house: ["planner"],
  /** What is left after a session, what is on hand, what has arrived. */
  count: ["planner", "floor"],
  /** What families sent, and what it shows. */
  sift: ["planner", "sifter"],
  look: roles,
} as const satisfies Readonly<Record<string, readonly Role[]>>;

export type Capability = keyof typeof table;

/** Whether a role may do that. The server refuses by this table what the desk doesn't offer by it. */
export function may(role: Role, what: Capability): boolean {
  return (table[what] as readonly Role[]).includes(role);
}

/** The roles that may, in words, such as "a planner or a sifter". */
export function whoMay(what: Capability): string {
  const words: Readonly<Record<Role, string>> = { planner: "a planner", floor: "a floor lead", sifter: "a sifter" };
  return table[what].map((role) => words[role]).join(" or ");
}
