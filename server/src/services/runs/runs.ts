import { isDeepStrictEqual } from "node:util";
import { type BriefSave, type NewRun, type RunDoc, type RunSave, type RunSettings, type SessionDoc, settingsOf } from "@lampcrate/contract";
import { addDays, dateOf, plainCode } from "@lampcrate/core";
import { asc, count, eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { entry, run, session } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField, notFound, Problem, stale } from "../../http/problem.ts";
import { refuseFarDays } from "../house/farDays.ts";
import { houseDoc, houseZone } from "../house/house.ts";
import type { Person } from "../house/person.ts";
import { newId } from "../ids.ts";
import { followingBrief, frozenVersion, insertBrief, loadBrief, refuseBadValues, startingBrief, writeBrief } from "./briefs.ts";
import { changesSince, nextRedo, nextUndo, remember } from "./undo.ts";

export type RunRow = typeof run.$inferSelect;

/** A run by id; throws 404. */
export function runRow(db: Store, id: string): RunRow {
  const found = db.select().from(run).where(eq(run.id, id)).get();
  if (!found) throw notFound("run");
  return found;
}

/** The run that families may see by this code; throws 404 for unknown, unpublished and cancelled ones alike. */
export function publicRun(db: Store, typed: string): RunRow {
  return openRun(
    db
      .select()
      .from(run)
      .where(eq(run.code, plainCode(typed)))
      .get(),
  );
}

/** The run found under a code, if families may see it. */
export function openRun(found: RunRow | undefined): RunRow {
  if (found?.status === "published") return found;
  const message = "No challenge is open under this code. Check its words and the number.";
  throw new Problem(404, "No such code", message, { errors: [{ field: "code", message }] });
}

/** Everything the desk shows of a run. */
export function runDoc(db: Store, id: string, person: Person): RunDoc {
  const row = runRow(db, id);
  const { doc, revision } = loadBrief(db, row.briefId);
  const states = db.select({ state: entry.state, n: count() }).from(entry).where(eq(entry.runId, id)).groupBy(entry.state).all();
  const countOf = (state: string): number => states.find((s) => s.state === state)?.n ?? 0;
  const version = row.publishedVersion === null ? null : frozenVersion(db, row.briefId, row.publishedVersion);
  return {
    ...settingsOf(row),
    id,
    revision: row.revision,
    status: row.status,
    code: row.code,
    publishedVersion: row.publishedVersion,
    changedSincePublished: version !== null && !isDeepStrictEqual(version.brief, doc),
    publicUrl: houseDoc(db).publicUrl,
    brief: doc,
    briefRevision: revision,
    archived: row.archived,
    sessions: sessionDocs(db, id),
    entries: { waiting: countOf("waiting"), accepted: countOf("accepted"), setAside: countOf("set aside") },
    undo: nextUndo(db, id, person.id)?.words ?? null,
    redo: nextRedo(db, id, person.id)?.words ?? null,
  };
}

/** A run's sessions in order of their days. */
export function sessionDocs(db: Store, runId: string): readonly SessionDoc[] {
  return db.select().from(session).where(eq(session.runId, runId)).orderBy(asc(session.startAt)).all().map(sessionDoc);
}

export function sessionDoc({ sequence: _, ...row }: typeof session.$inferSelect): SessionDoc {
  return { ...row, endAt: row.startAt + row.minutes * 60_000 };
}

/** A new run with a plain brief of its family. */
export function createRun(deps: Deps, input: NewRun, id = newId()): string {
  return deps.db.transaction((tx) =>
    createRunFrom(deps, tx, {
      id,
      briefId: insertBrief(tx, startingBrief(input.family)),
      title: input.title,
      kind: input.kind,
      units: null,
      suggestDays: false,
    }),
  );
}

interface RunStart {
  readonly id?: string;
  readonly briefId: string;
  readonly title: string;
  readonly kind: NewRun["kind"];
  /** null: the house's. */
  readonly units: RunRow["units"] | null;
  /** Entries open today and close four weeks on, until the planner says otherwise. */
  readonly suggestDays: boolean;
}

/** A draft run on a brief that stands already. */
export function createRunFrom(deps: Deps, tx: Store, { id = newId(), briefId, title, kind, units, suggestDays }: RunStart): string {
  const home = houseDoc(tx);
  const today = dateOf(deps.clock(), home.zone);
  tx.insert(run)
    .values({
      id,
      briefId,
      title,
      kind,
      status: "draft",
      scoring: "goal-improved",
      units: units ?? home.units,
      heads:
        kind === "at-home" ? { model: "atHome", asked: 0, takeUp: 0.9, more: 30 } : { model: "forecast", low: 20, likely: 34, high: 60 },
      opensOn: suggestDays ? today : null,
      closesOn: suggestDays ? addDays(today, 28) : null,
      afterwards: "anonymise",
      createdAt: deps.clock(),
      revision: 1,
    })
    .run();
  return id;
}

/** Saves the run's settings over the revision that was opened. */
export function saveSettings(deps: Deps, person: Person, id: string, input: RunSave): RunDoc {
  return deps.db.transaction((tx) => {
    const row = runRow(tx, id);
    const { revision, ...settings } = input;
    if (row.revision !== revision) throw stale(runDoc(tx, id, person), changesSince(tx, id, revision));
    const { opensOn, closesOn, revealOn } = settings;
    refuseFarDays(deps.clock(), houseZone(tx), { opensOn, closesOn, revealOn });
    if (row.status === "published") refuseWithoutDays(settings);
    if (settings.opensOn && settings.closesOn && settings.closesOn < settings.opensOn)
      throw badField("closesOn", "Entries would close before they open.");
    if (settings.revealOn && settings.closesOn && settings.revealOn < settings.closesOn)
      throw badField("revealOn", "The reveal would come before entries close.");
    tx.update(run)
      .set({ ...settings, revision: revision + 1 })
      .where(eq(run.id, id))
      .run();
    remember(tx, person, deps.clock(), {
      runId: id,
      kind: "settings",
      subject: id,
      words: settingsWords(settingsOf(row), settings),
      before: settingsOf(row),
      revisionBefore: revision,
      revisionAfter: revision + 1,
    });
    return runDoc(tx, id, person);
  });
}

/** A published run keeps its days: the consent that families gave names them. */
function refuseWithoutDays({ opensOn, closesOn }: RunSettings): void {
  if (opensOn === null) throw badField("opensOn", "A published run has an opening day. Unpublish it first to take the day out.");
  if (closesOn === null) throw badField("closesOn", "A published run has a closing day. Unpublish it first to take the day out.");
}

function settingsWords(before: RunSettings, after: RunSettings): string {
  const names: Readonly<Record<keyof RunSettings, string>> = {
    title: "title",
    kind: "kind",
    opensOn: "opening day",
    closesOn: "closing day",
    revealOn: "reveal day",
    scoring: "scoring",
    units: "units",
    heads: "expected heads",
    afterwards: "what happens to entries",
    rehearsal: "the rehearsed day",
    series: "days between parts",
    sheet: "the run sheet",
  };
  const changed = (Object.keys(names) as (keyof RunSettings)[]).filter((key) => JSON.stringify(before[key]) !== JSON.stringify(after[key]));
  return changed.length === 0 ? "saved the run" : `changed ${changed.map((key) => names[key]).join(", ")}`;
}

/** Saves the brief over the revision that was opened; a stale one is refused with what changed. */
export function saveBrief(deps: Deps, person: Person, id: string, input: BriefSave): RunDoc {
  return deps.db.transaction((tx) => {
    const row = runRow(tx, id);
    const { doc, revision } = loadBrief(tx, row.briefId);
    if (revision !== input.revision) throw stale(runDoc(tx, id, person), changesSince(tx, row.briefId, input.revision));
    if (doc.family !== input.brief.family) throw badField("brief.family", "A run keeps its family. Start a new run for another one.");
    refuseBadValues(input.brief);
    writeBrief(tx, row.briefId, followingBrief(tx, input.brief), revision + 1);
    remember(tx, person, deps.clock(), {
      runId: id,
      kind: "brief",
      subject: row.briefId,
      words: input.words || "changed the brief",
      before: doc,
      revisionBefore: revision,
      revisionAfter: revision + 1,
    });
    return runDoc(tx, id, person);
  });
}
