import { type BriefDoc, openAtOnce } from "@lampcrate/contract";
import {
  asFamily,
  bindErrors,
  type FamilyId,
  type Field,
  families,
  followed,
  isFamilyId,
  kitCut,
  outcomeErrors,
  startValues,
  type UnitOf,
  unbound,
  type Values,
  valueErrors,
} from "@lampcrate/core";
import { and, asc, desc, eq, inArray } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { brief, briefCaution, briefLine, briefTier, briefVersion, type FrozenBrief, material } from "../../db/schema/index.ts";
import { badField, notFound, Problem } from "../../http/problem.ts";
import { newId } from "../ids.ts";

/** A brief as one document, with its revision. */
export function loadBrief(db: Store, briefId: string): { readonly doc: BriefDoc; readonly revision: number } {
  const found = db.select().from(brief).where(eq(brief.id, briefId)).get();
  if (!found || !isFamilyId(found.family)) throw notFound("brief");
  const { id: _, revision, family: __, unknown: ___, ...values } = found;
  const lines = db.select().from(briefLine).where(eq(briefLine.briefId, briefId)).orderBy(asc(briefLine.place)).all();
  const tiers = db.select().from(briefTier).where(eq(briefTier.briefId, briefId)).orderBy(asc(briefTier.place)).all();
  const cautions = db.select().from(briefCaution).where(eq(briefCaution.briefId, briefId)).orderBy(asc(briefCaution.place)).all();
  const doc: BriefDoc = {
    ...values,
    turnedAway: values.turnedAway ?? null,
    family: found.family,
    lines: lines.map(({ briefId: ____, place: _____, ...line }) => ({ ...line, cut: line.cut ? kitCut(line.cut) : null })),
    tiers: tiers.map(({ id, kind, words, share, times }) => ({ id, kind, words, share, times })),
    cautions: cautions.map(({ id, words }) => ({ id, words })),
  };
  return { doc, revision };
}

/** A plain brief of a family: every number at its usual start. */
export function startingBrief(family: FamilyId): BriefDoc {
  return {
    family,
    story: "",
    spec: startValues(families[family].spec),
    design: startValues(families[family].design),
    compared: null,
    instrument: "",
    buildMinutes: 20,
    protocolNote: "",
    prize: "",
    trials: families[family].protocol.trials,
    outcomes: asFamily,
    youngestAge: 6,
    sketchFirst: true,
    plainBuildShown: true,
    buildBy: "builder",
    teamSize: 2,
    rebuildRate: 0.4,
    loops: 2,
    target: 0.95,
    seatsPerTable: 6,
    shareAtOnce: 0.6,
    rigServes: 12,
    turnedAway: null,
    lines: [],
    tiers: [],
    cautions: [],
    rules: [],
    hints: [],
    hintsOpen: openAtOnce,
    translations: {},
  };
}

/** A brief kept before this version knew all of today's parts, with the usual for what it lacks. */
export function completed(doc: BriefDoc): BriefDoc {
  const tiers = doc.tiers.map((tier) => ({ ...tier, times: tier.times ?? null }));
  const lines = doc.lines.map((line) => ({
    ...line,
    standInRatio: line.standInRatio ?? 1,
    bind: line.bind ?? unbound,
    cut: line.cut ? kitCut(line.cut) : null,
  }));
  const family = families[doc.family];
  const known = (values: Values, fields: readonly Field[]): Values =>
    Object.fromEntries(Object.entries(values).filter(([id]) => fields.some((field) => field.id === id)));
  const spec = known(doc.spec, family.spec);
  return { ...startingBrief(doc.family), ...doc, spec, design: known(doc.design, family.design), tiers, lines };
}

/** Parts of the pack a brief came from that this version doesn't know; they go out with it again. */
export function unknownPartsOf(db: Store, briefId: string): unknown {
  return db.select({ unknown: brief.unknown }).from(brief).where(eq(brief.id, briefId)).get()?.unknown ?? null;
}

/** Stores a new brief; gives its id. */
export function insertBrief(db: Store, doc: BriefDoc, unknown: unknown = null): string {
  const id = newId();
  const { lines: _, tiers: __, cautions: ___, ...values } = doc;
  db.insert(brief)
    .values({ ...values, id, unknown, revision: 1 })
    .run();
  writeParts(db, id, doc);
  return id;
}

/** Overwrites a brief with the document as its next revision; gives that. Unknown materials are refused by field. */
export function writeBrief(db: Store, briefId: string, doc: BriefDoc, revision: number): void {
  const { lines: _, tiers: __, cautions: ___, family: ____, ...values } = doc;
  db.update(brief)
    .set({ ...values, revision })
    .where(eq(brief.id, briefId))
    .run();
  for (const table of [briefLine, briefTier, briefCaution]) db.delete(table).where(eq(table.briefId, briefId)).run();
  writeParts(db, briefId, doc);
}

/** Throws 422 naming each number of goal or design that its family doesn't take. */
export function refuseBadValues({ family, spec, design, compared, outcomes }: BriefDoc): void {
  const { [family]: of } = families;
  const numbers = (
    [
      ["spec", valueErrors(spec, of.spec)],
      ["design", valueErrors(design, of.design)],
      ["compared", valueErrors(compared ?? {}, of.design)],
    ] as const
  ).flatMap(([part, found]) => Object.entries(found).map(([id, message]) => ({ field: `brief.${part}.${id}`, message })));
  const trials = outcomeErrors(of, spec, outcomes).map(({ field, message }) => ({ field: `brief.outcomes.${field}`, message }));
  const errors = [...numbers, ...trials];
  if (errors.length > 0) throw new Problem(422, "Check what you typed", errors.map((error) => error.message).join(" "), { errors });
}

/** The brief with its lines as its own numbers have them. Throws 422 naming each that follows what can't be followed. */
export function followingBrief(db: Store, doc: BriefDoc): BriefDoc {
  const units = new Map(materialsOf(db, doc).map(({ id, unit }) => [id, unit]));
  return followingBy(doc, (id) => units.get(id) ?? null, "Check what follows the brief");
}

/** The same by the units of any materials. */
export function followingBy(doc: BriefDoc, unitOf: UnitOf, title: string): BriefDoc {
  const lines = followed(doc, unitOf);
  const errors = bindErrors({ ...doc, lines }, unitOf);
  if (errors.length > 0) throw new Problem(422, title, errors.map((error) => error.message).join(" "), { errors });
  return { ...doc, lines };
}

function writeParts(db: Store, briefId: string, doc: BriefDoc): void {
  const known = new Set(materialsOf(db, doc).map((m) => m.id));
  for (const [place, line] of doc.lines.entries()) {
    if (!known.has(line.materialId)) throw badField(`brief.lines[${place}].materialId`, "The store room has no such material.");
    for (const [option, id] of Object.entries(line.bind.material?.of ?? {}))
      if (!known.has(id)) throw badField(`brief.lines[${place}].bind.material.of.${option}`, "The store room has no such material.");
    if (line.tier !== null && !doc.tiers.some((tier) => tier.id === line.tier))
      throw badField(`brief.lines[${place}].tier`, "This brief has no such tier.");
    db.insert(briefLine)
      .values({ ...line, briefId, place })
      .run();
  }
  for (const [place, tier] of doc.tiers.entries())
    db.insert(briefTier)
      .values({ ...tier, briefId, place })
      .run();
  for (const [place, caution] of doc.cautions.entries())
    db.insert(briefCaution)
      .values({ ...caution, briefId, place })
      .run();
}

function materialsOf(db: Store, doc: BriefDoc) {
  const ids = [...new Set(doc.lines.flatMap((line) => [line.materialId, ...Object.values(line.bind.material?.of ?? {})]))];
  return ids.length === 0 ? [] : db.select().from(material).where(inArray(material.id, ids)).all();
}

/** Freezes the brief as its next numbered version; the same revision is never frozen twice. Gives the number. */
export function freezeBrief(db: Store, briefId: string, at: number, staffId: string | null): number {
  const { doc, revision } = loadBrief(db, briefId);
  const latest = db.select().from(briefVersion).where(eq(briefVersion.briefId, briefId)).orderBy(desc(briefVersion.number)).get();
  if (latest?.ofRevision === revision) return latest.number;
  const number = (latest?.number ?? 0) + 1;
  const frozen = frozenFrom(db, doc);
  db.insert(briefVersion).values({ briefId, number, frozen, ofRevision: revision, at, staffId }).run();
  return number;
}

/** The draft as it would be frozen now. */
export function draftOf(db: Store, briefId: string): FrozenBrief {
  return frozenFrom(db, loadBrief(db, briefId).doc);
}

/** A brief with what families must know of its materials. */
function frozenFrom(db: Store, doc: BriefDoc): FrozenBrief {
  const used = new Set(doc.lines.map((line) => line.materialId));
  const materials = Object.fromEntries(
    materialsOf(db, doc)
      .filter((m) => used.has(m.id))
      .map((m) => [
        m.id,
        { name: m.name, unit: m.unit, allergens: m.allergens, smallPart: m.smallPart, latex: m.latex, hazards: m.hazards },
      ]),
  );
  return { brief: doc, materials };
}

type Frozen = FrozenBrief & { readonly ofRevision: number };

/** Versions already read, by what makes them unlike any other, a rolled-back one included. */
const read = new Map<string, Frozen>();
const mostRead = 200;

/** A frozen version. */
export function frozenVersion(db: Store, briefId: string, number: number): Frozen {
  const here = and(eq(briefVersion.briefId, briefId), eq(briefVersion.number, number));
  const found = db.select({ at: briefVersion.at, ofRevision: briefVersion.ofRevision }).from(briefVersion).where(here).get();
  if (!found) throw notFound("version of this brief");
  const key = `${briefId} ${number} ${found.at} ${found.ofRevision}`;
  const known = read.get(key);
  if (known) return known;
  const frozen = db.select({ frozen: briefVersion.frozen }).from(briefVersion).where(here).get()?.frozen;
  if (!frozen) throw notFound("version of this brief");
  const version = { ...frozen, brief: completed(frozen.brief), ofRevision: found.ofRevision };
  if (read.size >= mostRead) read.clear();
  read.set(key, version);
  return version;
}
