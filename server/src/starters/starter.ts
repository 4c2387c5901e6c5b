import type { BriefDoc, ChallengePack, HintRung, PackLine } from "@lampcrate/contract";
import type { FamilyId, Outcomes, Values } from "@lampcrate/core";
import { asFamily, briefField, follows, type LineBind, linePlace, type RunKind, unbound, usualLine } from "@lampcrate/core";
import { startingBrief } from "../services/runs/briefs.ts";
import { starterMaterials } from "./materials.ts";

/** What a starter's line differs in from the usual. */
type Line = readonly [material: string, per: PackLine["per"], amount: number, extra?: Partial<PackLine>];

export interface Starter {
  readonly id: string;
  readonly title: string;
  readonly kind: RunKind;
  readonly family: FamilyId;
  /** For a planner who looks for something: what makes this one different. */
  readonly told: string;
  readonly story: string;
  readonly spec: Values;
  readonly design?: Values;
  readonly compared?: Values;
  readonly rest?: Partial<BriefDoc>;
  readonly protocolNote: string;
  readonly lines: readonly Line[];
  readonly tiers: readonly (readonly [kind: BriefDoc["tiers"][number]["kind"], words: string, times?: number])[];
  readonly rules: readonly string[];
  readonly cautions: readonly string[];
  readonly questions: readonly string[];
  readonly nudges: readonly string[];
  readonly examples: readonly string[];
}

/** Shares of the builders who take the tiers that are no stretch goal: equal, until the planner knows better. */
function tiersOf(starter: Starter): BriefDoc["tiers"] {
  const plain = starter.tiers.filter(([kind]) => kind !== "stretch").length;
  return starter.tiers.map(([kind, words, times], i) => ({
    id: `tier-${i + 1}`,
    kind,
    words,
    share: kind === "stretch" ? 0 : Math.round(100 / plain) / 100,
    times: times ?? null,
  }));
}

/** A starter as a challenge pack, brought in by the same door as any other. */
export function packOfStarter(starter: Starter): ChallengePack {
  const { lines: _, ...usual } = startingBrief(starter.family);
  const used = new Set(starter.lines.flatMap(([material, , , extra]) => [material, ...Object.values(extra?.bind?.material?.of ?? {})]));
  const numbered = (from: string, words: readonly string[]) => words.map((said, i) => ({ id: `${from}-${i + 1}`, words: said }));
  const ladder = (rung: HintRung, words: readonly string[]) => numbered(rung, words).map((hint) => ({ ...hint, rung }));
  return {
    format: "lamp-crate challenge pack",
    version: 1,
    title: starter.title,
    kind: starter.kind,
    units: "metric",
    brief: {
      ...usual,
      ...starter.rest,
      story: starter.story,
      spec: { ...usual.spec, ...starter.spec },
      design: { ...usual.design, ...starter.design },
      compared: starter.compared ? { ...usual.design, ...starter.design, ...starter.compared } : null,
      protocolNote: starter.protocolNote,
      tiers: tiersOf(starter),
      rules: numbered("rule", starter.rules),
      cautions: numbered("caution", starter.cautions),
      hints: [...ladder("question", starter.questions), ...ladder("nudge", starter.nudges), ...ladder("example", starter.examples)],
      // Questions at once, something to try after a failure of one's own, an example after three.
      hintsOpen: { question: { tries: 0, days: 0 }, nudge: { tries: 1, days: 0 }, example: { tries: 3, days: 0 } },
    },
    lines: starter.lines.map(([material, per, amount, extra], i) => {
      const { materialId: __, ...line } = usualLine(`line_${i + 1}`, material);
      return exact({ ...line, material, per, amount, ...extra }, starter);
    }),
    materials: starterMaterials.filter((m) => used.has(m.key)),
  };
}

/** What is weighed or measured off and follows a mass or a length is just as much: the sheet says that number too. */
function exact(line: PackLine, { family }: Starter): PackLine {
  const amount = line.bind?.amount;
  const field = amount && briefField(family, amount.field)?.field;
  const unit = starterMaterials.find(({ key }) => key === line.material)?.unit;
  const measures = field?.kind === "number" && (field.dimension === "mass" || field.dimension === "length");
  if (!line.bind || !amount || !measures || unit === "piece") return line;
  return { ...line, bind: { ...line.bind, amount: { ...amount, round: "none" } } };
}

/** What a starter asks of its trials, where that isn't just what its family does. */
export const asks = (outcomes: Partial<Outcomes>): { readonly outcomes: Outcomes } => ({ outcomes: { ...asFamily, ...outcomes } });

/** A tool that many share and nobody uses up. */
export const shared = (share: number, loss = 0.3): Partial<PackLine> => ({
  kind: "reusable",
  share,
  loss,
  source: "house",
  perRebuild: 0,
  spoilRate: 0,
});
/** Loads and rigs that stay with the house. */
export const kept: Partial<PackLine> = { source: "house", perRebuild: 0, spoilRate: 0 };
/** Something measured off a roll or a block. */
export const measured = (spread = 0.4): Partial<PackLine> => ({ kind: "measured", spread });

type Followed = readonly [field: string, times?: number, plus?: number];

/** What a line's numbers follow, rounded up to whole pieces, mm or g: as it is, so many times it, with so much more. SI. */
export function bound({
  amount,
  cutWidth,
  cutHeight,
  material,
}: { readonly [Part in keyof LineBind]?: Part extends "material" ? LineBind["material"] : Followed }): {
  readonly bind: LineBind;
} {
  const as = (of: Followed | undefined, round: "up" | "none") =>
    of ? follows(of[0], { times: of[1] ?? 1, plus: of[2] ?? 0, round }) : null;
  return {
    bind: {
      ...unbound,
      amount: as(amount, "up"),
      cutWidth: as(cutWidth, "none"),
      cutHeight: as(cutHeight, "none"),
      material: material ?? null,
    },
  };
}

/** A place that tells a whole number with what is counted: "1 stick", "30 sticks". */
export const many = (name: string, one: string, other = `${one}s`): string => `{${name}, plural, one {# ${one}} other {# ${other}}}`;
/** The place that tells what a starter's line takes, by where it stands among the lines: the first is 1. */
export const takes = (line: number): string => linePlace(`line_${line}`);
/** The build time in words. */
export const buildTime = many("minutes", "minute");
