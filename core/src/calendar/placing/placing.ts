/** What may give. Slots are places in time order, from 0; a demand about sessions that are not held asks nothing. */
export type Demand = { readonly id: string } & (
  | { readonly kind: "held"; readonly session: string }
  | { readonly kind: "slots"; readonly session: string; readonly slots: readonly number[] }
  | { readonly kind: "room"; readonly session: string; readonly rooms: readonly string[] }
  | { readonly kind: "people"; readonly session: string; readonly n: number; readonly of: readonly string[] }
  | { readonly kind: "away"; readonly person: string; readonly slots: readonly number[] }
  | { readonly kind: "most"; readonly person: string; readonly n: number }
  | { readonly kind: "before"; readonly a: string; readonly b: string }
  | { readonly kind: "sameRoom"; readonly a: string; readonly b: string }
  | { readonly kind: "gap"; readonly a: string; readonly b: string; readonly least?: number; readonly most?: number }
);

/** What is wished; it never makes a plan impossible. */
export interface Wish {
  readonly session: string;
  readonly slot?: number | undefined;
  readonly room?: string | undefined;
  readonly person?: string | undefined;
  readonly weight: number;
}

/** Sessions to be placed. What never gives: one slot, one room a session; a room or a person has one session at a time. */
export interface Placing {
  readonly slots: number;
  readonly sessions: readonly string[];
  readonly rooms: readonly string[];
  readonly people: readonly string[];
  readonly demands: readonly Demand[];
  readonly wishes: readonly Wish[];
  /** What gaps are counted in, such as the day of each slot; never falling. The slot's own place unless given. */
  readonly gapAt?: readonly number[];
  /** Slots at which a room or a person (by id) is taken already; this never gives. */
  readonly taken?: Readonly<Record<string, readonly number[]>>;
}
