import type { BriefDoc, VersionDoc } from "@lampcrate/contract";
import { familyOfBrief } from "@lampcrate/core";

/** A length that a family wrote down. */
export interface ClaimedLength {
  readonly words: string;
  /** m */
  readonly si: number;
}

/** The lengths that a version declares or measured: what a picture of it can be held against. */
export function claimedLengths({ variables, trials }: VersionDoc, brief: BriefDoc): readonly ClaimedLength[] {
  const family = familyOfBrief(brief);
  const declared = family.variables.flatMap((field) => {
    const value = variables[field.id];
    const isLength = field.kind === "number" && field.dimension === "length";
    return isLength && typeof value === "number" && value > 0 ? [{ words: `${field.words.toLowerCase()}:`, si: value }] : [];
  });
  const [measure] = family.measures(brief.spec);
  if (measure.dimension !== "length") return declared;
  return [
    ...declared,
    ...trials.flatMap(({ number, value }) => (value !== null && value > 0 ? [{ words: `trial ${number}:`, si: value }] : [])),
  ];
}
