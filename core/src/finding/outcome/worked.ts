import type { Family, Values } from "../../family/shape.ts";
import { tell } from "../../family/tell.ts";
import type { UnitChoice } from "../../quantity/show.ts";

/** What a trial's number comes to besides, in words, such as the mean speed; none where there is no number, or nothing to work out. */
export function workedWords(
  family: Family,
  spec: Values,
  { outcome, value, at }: { readonly outcome: string; readonly value: number | null; readonly at: number | string | null },
  units: UnitChoice,
): readonly string[] {
  if (!family.worked || outcome !== "number" || value === null || value <= 0) return [];
  const setting = family.measures(spec)[0].setting;
  const set = setting && at !== null && spec[setting.id] !== undefined ? { ...spec, [setting.id]: at } : spec;
  const words = tell(family.worked(set, value), units);
  return words === "" ? [] : [words];
}
