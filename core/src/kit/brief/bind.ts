/** A number of a line that follows one of the brief: `times` × its value + `plus`, all SI. */
export interface Bound {
  readonly field: string;
  readonly times: number;
  readonly plus: number;
  /** "up": to whole pieces, mm, g or ml of the material. */
  readonly round: BoundRounding;
  /** Stands by itself for now; what it followed is remembered. */
  readonly loose: boolean;
}

export const boundRoundings = ["up", "none"] as const;
export type BoundRounding = (typeof boundRoundings)[number];

/** A line's material that follows a choice of the brief: which material each of its options is. */
export interface BoundMaterial {
  readonly field: string;
  readonly of: Readonly<Record<string, string>>;
  readonly loose: boolean;
}

/** The numbers of a line that may follow one of the brief. */
export const boundParts = ["amount", "cutWidth", "cutHeight"] as const;
export type BoundPart = (typeof boundParts)[number];

/** What a line follows, part by part; null: that part stands by itself and always did. */
export type LineBind = Readonly<Record<BoundPart, Bound | null>> & { readonly material: BoundMaterial | null };

export const unbound: LineBind = { amount: null, cutWidth: null, cutHeight: null, material: null };

/** The usual way to follow a field: as it is. */
export function follows(field: string, rest: Partial<Omit<Bound, "field">> = {}): Bound {
  return { field, times: 1, plus: 0, round: "none", loose: false, ...rest };
}
