import fc from "fast-check";
import type { Family, Field, Values } from "../src/index.ts";

/** Any values of these fields within their rulers; counts whole. */
export const anyValues = (fields: readonly Field[]): fc.Arbitrary<Values> =>
  fc.record(
    Object.fromEntries(
      fields.map((field) => [
        field.id,
        field.kind === "choice"
          ? fc.constantFrom(...field.options.map((o) => o.id))
          : fc
              .double({ min: field.min, max: field.max, noNaN: true })
              .map((v) => (field.dimension === "count" ? Math.max(field.min, Math.round(v)) : v)),
      ]),
    ) as Record<string, fc.Arbitrary<number | string>>,
  );

/** Any goal of a family with any build. */
export const anyBrief = (family: Family): fc.Arbitrary<readonly [Values, Values]> =>
  fc.tuple(anyValues(family.spec), anyValues(family.design));
