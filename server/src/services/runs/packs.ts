import type { BriefDoc, ChallengePack, MaterialDoc, PackMaterial, PackPreview } from "@lampcrate/contract";
import { briefDoc, line, packMaterial } from "@lampcrate/contract/schemas";
import {
  asFamily,
  briefRoundIn,
  families,
  fillText,
  type KitLine,
  kitCut,
  type LineBind,
  linesFor,
  materialKey,
  type RunKind,
  showQuantity,
  storeLimits,
  type UnitOf,
  unbound,
  unknownNames,
  unknownParts,
  withUnknownParts,
} from "@lampcrate/core";
import Ajv2020 from "ajv/dist/2020.js";
import Joi from "joi";
import schema from "../../../../docs/formats/challenge-pack.schema.json" with { type: "json" };
import type { Store } from "../../db/open.ts";
import { material } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField, Problem } from "../../http/problem.ts";
import { checkedPart } from "../../http/validate.ts";
import { houseDoc } from "../house/house.ts";
import { newId } from "../ids.ts";
import { materialList } from "../store/materials.ts";
import { followingBrief, followingBy, insertBrief, loadBrief, refuseBadValues, startingBrief, unknownPartsOf } from "./briefs.ts";
import { createRunFrom, runRow } from "./runs.ts";

const check = new Ajv2020({ allErrors: true, strict: false }).compile<ChallengePack>(schema);

/** A run's brief as a pack, with every part that an earlier import didn't know. */
export function exportPack(db: Store, runId: string): unknown {
  const row = runRow(db, runId);
  const { doc } = loadBrief(db, row.briefId);
  return withUnknownParts(packOf(row.title, row.kind, row.units, doc, materialList(db)), unknownPartsOf(db, row.briefId));
}

function packOf(title: string, kind: RunKind, units: ChallengePack["units"], doc: BriefDoc, store: readonly MaterialDoc[]): ChallengePack {
  const { lines, ...brief } = doc;
  const named = new Set(lines.flatMap((line) => [line.materialId, ...Object.values(line.bind.material?.of ?? {})]));
  const used = store.filter((m) => named.has(m.id));
  return {
    format: "lamp-crate challenge pack",
    version: 1,
    title,
    kind,
    units,
    brief,
    lines: lines.map(({ materialId, ...line }) => ({ ...line, material: materialId })),
    materials: used.map(({ id, revision: _, onHand: __, perWeek: ___, archived: ____, ...kept }) => ({ ...kept, key: id })),
  };
}

/** Reads a pack. Throws 422 naming every part that can't be taken, in words; parts that are not known are no error. */
export function readPack(given: unknown): ChallengePack {
  if (!check(given)) {
    const errors = (check.errors ?? []).map(({ instancePath, message = "can't be read", params }) => {
      const missing = "missingProperty" in params ? `/${String(params["missingProperty"])}` : "";
      const allowed = "allowedValues" in params ? `: ${(params["allowedValues"] as readonly unknown[]).join(", ")}` : "";
      const field = fieldName(`${instancePath}${missing}`) || "pack";
      return { field, message: `${field} ${missing ? "is missing" : message}${allowed}.` };
    });
    throw new Problem(
      422,
      "This pack can't be taken",
      `${errors.length} ${errors.length === 1 ? "part" : "parts"} of the pack can't be read: ${errors[0]?.message ?? ""}`,
      { errors: errors.slice(0, 40) },
    );
  }
  const keys = new Set(given.materials.map((m) => m.key));
  const errors = given.lines.flatMap(({ material: key, tier, bind }, i) => [
    ...(keys.has(key)
      ? []
      : [{ field: `lines[${i}].material`, message: `lines[${i}].material names ${key}, which is not among the pack's materials.` }]),
    ...(tier === null || given.brief.tiers.some((t) => t.id === tier)
      ? []
      : [{ field: `lines[${i}].tier`, message: `lines[${i}].tier names ${tier}, which is not among the pack's tiers.` }]),
    ...Object.entries(bind?.material?.of ?? {}).flatMap(([option, key]) => {
      const field = `lines[${i}].bind.material.of.${option}`;
      return keys.has(key) ? [] : [{ field, message: `${field} names ${key}, which is not among the pack's materials.` }];
    }),
  ]);
  if (errors.length > 0) throw new Problem(422, "This pack can't be taken", errors.map((e) => e.message).join(" "), { errors });
  const { title } = checkedPart(packTitle, { title: given.title }, "pack");
  return { ...given, title, materials: soundMaterials(given.materials) };
}

const packTitle = Joi.object<{ title: string }>({ title: line(80).min(1).required() });

/** A pack's materials, each under a key of its own. Throws 422 by field. */
function soundMaterials(given: ChallengePack["materials"]): ChallengePack["materials"] {
  const seen = new Map<string, number>();
  return given.map((material, i) => {
    const first = seen.get(material.key);
    if (first !== undefined) throw badField(`materials[${i}].key`, `materials[${i}].key is that of materials[${first}] too.`);
    seen.set(material.key, i);
    return checkedPart(packMaterial, material, `materials[${i}]`);
  });
}

/** The brief in a pack, held to the same limits as one that is typed; its lines' materials are keys of the pack. Throws 422 by field. */
function soundBrief(pack: ChallengePack): BriefDoc {
  const doc = briefOf(pack, (key) => key);
  // Keys are another house's: they need not look like ids of ours.
  const asOurs = (line: KitLine) => ({ ...line, materialId: ourId, bind: bindBy(line.bind, () => ourId) });
  const held = checkedPart(briefDoc, { ...doc, lines: doc.lines.map(asOurs) }, "brief");
  const lines = held.lines.map((line, i) => ({
    ...line,
    materialId: doc.lines[i]?.materialId ?? "",
    bind: doc.lines[i]?.bind ?? unbound,
  }));
  refuseBadValues(held);
  return followingBy({ ...held, lines }, unitsIn(pack), "This pack can't be taken");
}

/** Stands for a material of the pack where only the look of an id is held to. */
const ourId = "its-material";

const unitsIn =
  ({ materials }: ChallengePack): UnitOf =>
  (key) =>
    materials.find((m) => m.key === key)?.unit ?? null;

function fieldName(path: string): string {
  return path
    .split("/")
    .slice(1)
    .reduce((name, part) => (/^\d+$/.test(part) ? `${name}[${part}]` : name === "" ? part : `${name}.${part}`), "");
}

const pick = <V>(values: Readonly<Record<string, V>>, ids: readonly string[]): Readonly<Record<string, V>> =>
  Object.fromEntries(Object.entries(values).filter(([id]) => ids.includes(id)));

/** The brief in a pack, with only what this version knows; its lines' materials by `idOf`. */
function briefOf(pack: ChallengePack, idOf: (key: string) => string): BriefDoc {
  const family = families[pack.brief.family];
  const [spec, design] = [family.spec.map((f) => f.id), family.design.map((f) => f.id)];
  const usual = startingBrief(pack.brief.family);
  const known = Object.fromEntries(
    Object.keys(usual).map((key) => [key, pack.brief[key as keyof typeof pack.brief] ?? usual[key as keyof typeof usual]]),
  ) as unknown as BriefDoc;
  const { compared } = pack.brief;
  const outcomes = { ...asFamily, ...pick({ ...pack.brief.outcomes }, Object.keys(asFamily)) };
  return {
    ...known,
    outcomes,
    spec: pick(pack.brief.spec, spec),
    design: pick(pack.brief.design, design),
    compared: compared === null ? null : pick(compared, design),
    lines: pack.lines.map((line) => ({
      id: line.id,
      materialId: idOf(line.material),
      per: line.per,
      kind: line.kind,
      amount: line.amount,
      perRebuild: line.perRebuild,
      spoilRate: line.spoilRate,
      spread: line.spread,
      share: line.share,
      unitsPerItem: line.unitsPerItem,
      loss: line.loss,
      source: line.source,
      standIn: line.standIn,
      standInRatio: line.standInRatio ?? 1,
      tier: line.tier,
      cut: line.cut === null ? null : kitCut(line.cut),
      bind: bindBy(line.bind ?? unbound, idOf),
    })),
    tiers: pack.brief.tiers.map(({ id, kind, words, share, times }) => ({ id, kind, words, share, times })),
    cautions: pack.brief.cautions.map(({ id, words }) => ({ id, words })),
    rules: pack.brief.rules.map(({ id, words }) => ({ id, words })),
    hints: pack.brief.hints.map(({ id, rung, words }) => ({ id, rung, words })),
  };
}

/** What a line follows, its materials by other names. */
function bindBy({ amount, cutWidth, cutHeight, material }: LineBind, idOf: (key: string) => string): LineBind {
  const of = material && Object.fromEntries(Object.entries(material.of).map(([option, key]) => [option, idOf(key)]));
  return { amount, cutWidth, cutHeight, material: material && of && { field: material.field, of, loose: material.loose } };
}

const sameMaterial = (a: { readonly name: string; readonly unit: string }, b: { readonly name: string; readonly unit: string }): boolean =>
  a.unit === b.unit && materialKey(a.name) === materialKey(b.name);

/** What a pack would bring. Nothing is written. */
export function previewPack(db: Store, given: unknown): PackPreview {
  const pack = readPack(given);
  const doc = soundBrief(pack);
  const store = materialList(db);
  const nameOf = (key: string): string => pack.materials.find((m) => m.key === key)?.name ?? key;
  const known = knownPart(pack, doc);
  return {
    title: pack.title,
    family: doc.family,
    goal: families[doc.family].goalWords(doc.spec, (si, dimension) => showQuantity(si, dimension, pack.units)),
    story: fillText(doc.story, {
      brief: doc,
      units: pack.units,
      unitOf: unitsIn(pack),
      dates: { opens: null, closes: null, reveal: null },
    }),
    lines: doc.lines.map((line) => `${nameOf(line.materialId)}, for each ${line.per}`),
    newMaterials: pack.materials.filter((m) => !store.some((other) => sameMaterial(m, other))).map((m) => m.name),
    cautions: doc.cautions.length,
    rules: doc.rules.length,
    hints: doc.hints.length,
    tiers: doc.tiers.length,
    unknown: unknownNames(unknownParts(pack, known), known),
  };
}

/** A material of a pack, with what is known here. */
function knownMaterial({
  key,
  name,
  unit,
  packSize,
  packPriceCents,
  sheetWidthM,
  sheetHeightM,
  allergens,
  smallPart,
  latex,
  hazards,
}: PackMaterial) {
  return { key, name, unit, packSize, packPriceCents, sheetWidthM, sheetHeightM, allergens, smallPart, latex, hazards };
}

/** A pack as this version would write it: what it has over that is unknown here. */
function knownPart(pack: ChallengePack, doc: BriefDoc): ChallengePack {
  const { lines, ...brief } = doc;
  return {
    format: pack.format,
    version: pack.version,
    title: pack.title,
    kind: pack.kind,
    units: pack.units,
    brief,
    lines: lines.map(({ materialId, ...line }) => ({ ...line, material: materialId })),
    materials: pack.materials.map(knownMaterial),
  };
}

/** What a run from a pack is called and how it is offered, where not as the pack says. */
interface PackStart {
  readonly title?: string;
  readonly kind?: RunKind;
  readonly id?: string;
}

/** Brings a pack in as a new run; materials that the store room lacks are added with none on hand. Gives the run's id. */
export function importPack(deps: Deps, given: unknown, { title, kind, id }: PackStart = {}): string {
  const pack = readPack(given);
  return deps.db.transaction((tx) => {
    const store: { readonly id: string; readonly name: string; readonly unit: string }[] = [...materialList(tx)];
    const ids = new Map<string, string>();
    const doc = soundBrief(pack);
    for (const { key, ...values } of pack.materials.map(knownMaterial)) {
      const found = store.find((other) => sameMaterial(values, other));
      const id = found?.id ?? newId();
      ids.set(key, id);
      if (found) continue;
      // One of that name in another unit is another material: its unit tells them apart.
      const isTaken = store.some((other) => materialKey(other.name) === materialKey(values.name));
      const name = isTaken ? `${values.name.slice(0, storeLimits.nameLetters - 8)} (${values.unit})` : values.name;
      store.push({ id, name, unit: values.unit });
      tx.insert(material)
        .values({ id, ...values, name, allergens: [...values.allergens], hazards: [...values.hazards], revision: 1 })
        .run();
    }
    const unknown = unknownParts(pack, knownPart(pack, doc));
    // On the way out materials are keyed by their ids here: their unknown parts go with them.
    const materials = unknown?.["materials"];
    const moved =
      typeof materials === "object" && materials !== null
        ? { ...unknown, materials: Object.fromEntries(Object.entries(materials).map(([key, part]) => [ids.get(key) ?? key, part])) }
        : unknown;
    const idOf = (key: string): string => ids.get(key) ?? key;
    const lines = doc.lines.map((line) => ({ ...line, materialId: idOf(line.materialId), bind: bindBy(line.bind, idOf) }));
    // In a house of other units what was round stays round; lines follow.
    const { units } = houseDoc(tx);
    const unitById: UnitOf = (id) => pack.materials.find((m) => ids.get(m.key) === id)?.unit ?? null;
    const made = { ...doc, lines: linesFor(lines, pack.kind, kind ?? pack.kind) };
    const mine = pack.units === units ? made : briefRoundIn(made, units, unitById);
    const briefId = insertBrief(tx, followingBrief(tx, mine), moved);
    return createRunFrom(deps, tx, {
      ...(id === undefined ? {} : { id }),
      briefId,
      title: title ?? pack.title,
      kind: kind ?? pack.kind,
      units: null,
      suggestDays: true,
    });
  });
}
