import type { SheetDoc, VersionInput } from "@lampcrate/contract";
import { applies, type Family, showQuantity } from "@lampcrate/core";

/** Something of a version that a length may be used for. */
export interface LengthTarget {
  readonly words: string;
  /** m */
  readonly onUse: (si: number) => void;
}

interface Of {
  readonly sheet: SheetDoc;
  readonly family: Family;
  readonly version: VersionInput;
  readonly trialWords: (number: number) => string;
  readonly onChange: (version: VersionInput) => void;
}

/** What of a version is a length: the next test without a result, where lengths are measured, and what is declared of the build. */
export function lengthTargets({ sheet: { brief, units }, family, version, trialWords, onChange }: Of): readonly LengthTarget[] {
  const [measure] = family.measures(brief.spec);
  const next = version.trials.findIndex(({ outcome, raw }) => outcome === "number" && (raw ?? "").trim() === "");
  const measures = measure.dimension === "length" && !measure.numberless && !measure.rungs;
  const trial: readonly LengthTarget[] =
    measures && next >= 0
      ? [
          {
            words: trialWords(next + 1),
            onUse: (si) =>
              onChange({
                ...version,
                trials: version.trials.map((one, i) =>
                  i === next ? { ...one, raw: showQuantity(si, "length", units).replace(/\s/g, " "), kept: false } : one,
                ),
              }),
          },
        ]
      : [];
  const declared =
    version.role === "control"
      ? []
      : family.variables.flatMap((field): readonly LengthTarget[] =>
          field.kind === "number" && field.dimension === "length" && applies(field.when, { ...brief.spec, ...version.variables })
            ? [
                {
                  words: field.words.toLowerCase(),
                  onUse: (si) => onChange({ ...version, variables: { ...version.variables, [field.id]: si } }),
                },
              ]
            : [],
        );
  return [...trial, ...declared];
}
