import { gravity } from "../physical.ts";

type Never =
  | { readonly kind: "band"; readonly bands: number; readonly stiffness: number; readonly stretchM: number; readonly massKg: number }
  | { readonly kind: "sail"; readonly trackM: number; readonly wind: number }
  | { readonly kind: "gravity"; readonly heightM: number };

/** What no cart does: a distance, m, or a time over a track, s, null where nothing bounds it. Twice the bands' energy at C_rr 0.005. */
export function neverDriven(cart: Never): { readonly most: number | null; readonly least: number | null } {
  switch (cart.kind) {
    case "band":
      return { most: (cart.bands * cart.stiffness * cart.stretchM ** 2) / (0.005 * cart.massKg * gravity), least: null };
    case "sail":
      return { most: null, least: cart.trackM / (1.5 * cart.wind) };
    case "gravity":
      return { most: cart.heightM / 0.005, least: null };
  }
}
