import { families } from "../family/families.ts";
import type { FamilyId } from "../family/familyIds.ts";
import { countField, timeField } from "../family/fields.ts";
import type { Field, Values } from "../family/shape.ts";
import { applies, buildValues } from "../family/values.ts";

/** What of a brief its lines and words may follow. */
export interface FieldBrief {
  readonly family: FamilyId;
  readonly spec: Values;
  readonly design: Values;
  readonly trials: number;
  /** Minutes a build. */
  readonly buildMinutes: number;
  readonly teamSize: number;
}

/** Numbers that every brief has, whatever its family. */
const common = {
  trials: countField("trials", "Trials of each version", 1, 12, 3),
  minutes: timeField("minutes", "Build time", [60, 36_000, 60, 1200], "min"),
  teamSize: countField("teamSize", "Builders in a team", 1, 12, 2),
} as const satisfies Readonly<Record<string, Field>>;

/** A field of a brief and where it is set. */
export interface PlacedField {
  readonly field: Field;
  readonly of: "spec" | "design" | "brief";
}

/** Every field that can be followed: the goal's, the plain build's, and the brief's own; no two have one id. */
export function briefFields(family: FamilyId): readonly PlacedField[] {
  const { spec, design } = families[family];
  return [
    ...spec.map((field) => ({ field, of: "spec" as const })),
    ...design.map((field) => ({ field, of: "design" as const })),
    ...Object.values(common).map((field) => ({ field, of: "brief" as const })),
  ];
}

/** A field by its id; null where this family has none. */
export function briefField(family: FamilyId, id: string): PlacedField | null {
  return briefFields(family).find(({ field }) => field.id === id) ?? null;
}

/** A field's value in a brief, SI; its start where the brief doesn't say; null where the field doesn't stand, given the others. */
export function fieldValue(brief: FieldBrief, { field, of }: PlacedField): number | string | null {
  if (of === "brief") return commonValue(brief, field.id);
  const values = of === "spec" ? brief.spec : brief.design;
  return applies(field.when, buildValues(families[brief.family], brief.spec, brief.design)) ? (values[field.id] ?? field.start) : null;
}

function commonValue(brief: FieldBrief, id: string): number | null {
  if (id === "minutes") return brief.buildMinutes * 60;
  if (id === "trials") return brief.trials;
  return id === "teamSize" ? brief.teamSize : null;
}
