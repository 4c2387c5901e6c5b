import { families } from "../../family/families.ts";
import { mostLines } from "../../kit/amounts/limits.ts";
import { type KitLine, usualLine } from "../../kit/brief/kitLine.ts";
import { instrumentById } from "../../quantity/instruments.ts";
import { briefField, fieldValue } from "../briefFields.ts";
import { linesFor } from "../madeFor.ts";
import type { Beside, Check, CheckedBrief } from "./check.ts";

const freeId = (lines: readonly KitLine[], id: string, n = 1): string => {
  const own = n === 1 ? id : `${id}-${n}`;
  return lines.some((line) => line.id === own) ? freeId(lines, id, n + 1) : own;
};

/** What the goal or its cautions call for and neither crate nor home has. */
export function crateChecks(brief: CheckedBrief, { kind, materials }: Beside): readonly Check[] {
  const family = families[brief.family];
  const has = (...wanted: readonly string[]): boolean =>
    brief.lines.some((line) => {
      const words = `${materials.find((m) => m.id === line.materialId)?.name ?? ""} ${line.standIn}`.toLowerCase();
      return wanted.some((want) => words.includes(want.toLowerCase()));
    });
  /** The press that puts what is missing into the crate, where the store room knows it; lent by the house if it comes back. */
  const putIn = (words: readonly string[], patch: Partial<KitLine>): Check["mends"] => {
    const material = materials.find(({ name }) => words.some((word) => name.toLowerCase().includes(word.toLowerCase())));
    if (!material || brief.lines.length >= mostLines) return [];
    const id = freeId(brief.lines, `line-${material.id}`);
    return [
      { words: `Put ${material.name} into the crate`, patch: { lines: [...brief.lines, { ...usualLine(id, material.id), ...patch }] } },
    ];
  };
  const found: Check[] = [];
  const warn = (id: string, words: string, mends: Check["mends"] = []): void =>
    void found.push({ id, at: "crate", stops: false, words, mends });
  if (brief.lines.length === 0)
    return [{ id: "no lines", at: "crate", stops: false, words: "The crate has no lines yet: say what a kit takes.", mends: [] }];
  for (const id of ["payload", "rider", "ball"]) {
    const placed = briefField(brief.family, id);
    const value = placed && fieldValue(brief, placed);
    if (placed?.field.kind !== "choice" || value === null) continue;
    const cargo = placed.field.options.find((option) => option.id === value)?.words ?? "";
    const names = cargo.split(" ").filter((word) => word.length > 3 && !/^\d|^with$|^dry$|^soft$|^hollow$|^plastic$|^glass$/.test(word));
    if (!has(...names)) warn(`cargo ${id}`, `The goal names ${cargo}, and no line of the crate is one.`, putIn(names, { per: "team" }));
  }
  const [measure] = family.measures(brief.spec);
  const used = instrumentById(brief.instrument === "" ? (measure.instruments[0] ?? "") : brief.instrument);
  const tool = used?.words.split(" ").find((word) => ["stopwatch", "tape", "ruler", "scale"].includes(word));
  // Loads of one known mass are counted, not weighed.
  const counted = measure.token !== undefined && has(...measure.token.names);
  const atHome = kind === "at-home" && (tool === "stopwatch" || tool === "ruler");
  const asGood = tool === "tape" ? "ruler" : tool === "ruler" ? "tape measure" : tool;
  if (tool && !atHome && !counted && asGood !== undefined && !has(tool, asGood))
    warn(
      "instrument",
      `${measure.words} is measured with a ${tool === "tape" ? "tape measure" : tool}, and neither crate nor home has one.`,
      putIn([tool, asGood], { kind: "reusable", per: "rig", share: 1, source: kind === "at-home" ? "home" : "house" }),
    );
  const cautions = family.cautions(brief.spec, { youngestAge: brief.youngestAge, allergens: [], smallParts: false, latex: false });
  if (kind !== "at-home" && cautions.some((caution) => caution.id === "goggles") && !has("goggle"))
    warn(
      "goggles",
      "The cautions ask for goggles, and the crate has none.",
      putIn(["goggle"], { kind: "reusable", per: "builder", source: "house" }),
    );
  if (kind === "at-home") {
    const lent = brief.lines.filter((line) => line.source === "house");
    if (lent.length > 0) {
      const names = lent.map((line) => materials.find((m) => m.id === line.materialId)?.name ?? "a line").join(", ");
      const lines = linesFor(brief.lines, "workshop", kind);
      warn("house at home", `At home nobody has what stays with the house: ${names}.`, [
        { words: "Have it found at home", patch: { lines } },
      ]);
    }
  }
  return found;
}
