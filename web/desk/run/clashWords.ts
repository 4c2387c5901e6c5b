import type { BriefDoc, MaterialDoc } from "@lampcrate/contract";
import type { KitLine } from "@lampcrate/core";
import {
  amountWords,
  type Family,
  type Field,
  type FieldClash,
  families,
  showNumber,
  showQuantity,
  type UnitChoice,
} from "@lampcrate/core";

import { shareScale } from "../../shared/pieces/scale.ts";

/** What somebody else changed too, with both ways in words. */
export interface ClashWords {
  readonly what: string;
  readonly mine: string;
  readonly theirs: string;
}

const parts: Readonly<Partial<Record<keyof BriefDoc, string>>> = {
  story: "The story",
  compared: "The design held beside it",
  trials: "Trials",
  instrument: "What it is measured with",
  buildMinutes: "Minutes to build",
  protocolNote: "How the test is held",
  prize: "What one may win",
  youngestAge: "Youngest age",
  sketchFirst: "Sketch first",
  plainBuildShown: "Whether the plain build is shown",
  buildBy: "Who builds",
  teamSize: "Builders in a team",
  rebuildRate: "Who builds again",
  loops: "How often they build again",
  target: "How sure",
  seatsPerTable: "Seats at a table",
  shareAtOnce: "Share at once",
  rigServes: "Builders a rig serves",
  turnedAway: "What turning one away costs",
  lines: "A line of the kit",
  tiers: "A tier",
  cautions: "A caution",
  rules: "A rule",
  hints: "A hint",
  hintsOpen: "When hints open",
  outcomes: "What a trial shows",
  translations: "Words in other languages",
};

const lineParts: Readonly<Partial<Record<keyof KitLine, string>>> = {
  amount: "takes",
  per: "for whom",
  perRebuild: "again at a rebuild",
  spoilRate: "spoilt",
  source: "where it is from",
  standIn: "stand-in",
  cut: "how it is cut",
};

const shares: readonly string[] = ["target", "rebuildRate", "shareAtOnce", "perRebuild", "spoilRate", "share", "missRate"];

/** A clash in words, its values as the brief shows them. */
export function clashWords(
  clash: FieldClash,
  brief: BriefDoc,
  materials: readonly Pick<MaterialDoc, "id" | "name" | "unit">[],
  units: UnitChoice,
): ClashWords {
  const [part = "", id = "", field = ""] = clash.place;
  const both = (what: string, show: (value: unknown) => string): ClashWords => ({
    what,
    mine: clash.mine === undefined ? "taken out" : show(clash.mine),
    theirs: clash.theirs === undefined ? "taken out" : show(clash.theirs),
  });
  const family: Family = families[brief.family];
  if (part === "spec" || part === "design" || (part === "compared" && id !== "")) {
    const of = (part === "spec" ? family.spec : family.design).find((f) => f.id === id);
    return both(`${of?.words ?? id}${part === "compared" ? ", held beside" : ""}`, (value) => fieldValue(of, value, units));
  }
  if (part === "lines" && id !== "") {
    const thing = [clash.mine, clash.theirs, brief.lines.find((line) => line.id === id)].find(isLine);
    const material = materials.find((m) => m.id === (brief.lines.find((line) => line.id === id) ?? thing)?.materialId);
    const name = material?.name ?? "A line of the kit";
    const amount = (value: unknown): string => amountWords(Number(value), material?.unit ?? "piece", units);
    if (field === "") return both(name, (value) => (isLine(value) ? `kept, ${amount(value.amount)}` : "kept"));
    const what = `${name}, ${lineParts[field as keyof KitLine] ?? "details"}`;
    return both(what, (value) => (field === "amount" ? amount(value) : plain(field, value)));
  }
  return both(parts[part as keyof BriefDoc] ?? part, (value) => plain(part, value));
}

const isLine = (value: unknown): value is KitLine => typeof value === "object" && value !== null && "materialId" in value;

function fieldValue(field: Field | undefined, value: unknown, units: UnitChoice): string {
  if (field?.kind === "choice") return field.options.find((option) => option.id === value)?.words ?? String(value);
  return field && typeof value === "number"
    ? showQuantity(value, field.dimension, units, units === "metric" ? field.unit : undefined)
    : String(value);
}

function plain(part: string, value: unknown): string {
  if (typeof value === "number") return shares.includes(part) ? shareScale.show(value) : showNumber(value, Number.isInteger(value) ? 0 : 2);
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (typeof value === "string") return value === "" ? "empty" : value;
  if (typeof value === "object" && value !== null && "words" in value) return String(value.words);
  return value === null ? "none" : "as you have it here";
}
