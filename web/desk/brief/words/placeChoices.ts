import { briefFields, type Filling, fieldValue, fillText, linePlace } from "@lampcrate/core";

/** A place that can be put into a text: how it stands there, and what it is called and says now. */
export interface PlaceChoice {
  readonly value: string;
  readonly label: string;
}

/** Every number of the brief that a text may tell, with what it says now. */
export function placeChoices(filling: Filling, nameOf: (materialId: string) => string): readonly PlaceChoice[] {
  const { brief } = filling;
  const fields = briefFields(brief.family).flatMap((placed) => {
    const { field } = placed;
    return fieldValue(brief, placed) === null ? [] : [[`{${field.id}}`, field.words] as const];
  });
  const lines = brief.lines
    .filter((line) => line.kind !== "reusable")
    .map((line) => [`{${linePlace(line.id)}}`, `${nameOf(line.materialId)}, each takes`] as const);
  const rest = [
    ["{age}", "Youngest age"],
    ["{goal}", "The goal's number"],
    ...(filling.times == null ? [] : ([["{stretch}", "The stretch goal's number"]] as const)),
    ["{opens}", "Entries open on"],
    ["{closes}", "Entries close on"],
    ["{reveal}", "Reveal on"],
  ] as const;
  return [...fields, ...lines, ...rest].flatMap(([value, name]) => {
    const said = fillText(value, filling);
    return said === value ? [] : [{ value, label: `${name}: ${said}` }];
  });
}
