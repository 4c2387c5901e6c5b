import type { HouseDoc, MaterialDoc, SessionDoc } from "@lampcrate/contract";
import {
  type CrateInput,
  crateInput,
  fillBrief,
  type KitLine,
  type Manifest,
  manifestOf,
  type Packing,
  packingOf,
  preparation,
  tasksOf,
  unpackedOf,
} from "@lampcrate/core";
import type { Store } from "../../db/open.ts";
import { notFound } from "../../http/problem.ts";
import { houseDoc } from "../house/house.ts";
import { loadBrief } from "../runs/briefs.ts";
import { fillingOf } from "../runs/filling.ts";
import { type RunRow, runRow, sessionDocs } from "../runs/runs.ts";
import { materialList } from "./materials.ts";

/** Everything that a crate's papers are printed from. */
export interface CratePapers {
  readonly house: HouseDoc;
  readonly run: RunRow;
  /** null: the run has no session yet, the crate is for one. */
  readonly session: SessionDoc | null;
  readonly lines: readonly KitLine[];
  readonly tiers: ReadonlyMap<string, string>;
  readonly materials: ReadonlyMap<string, MaterialDoc>;
  readonly crate: CrateInput;
  readonly manifest: Manifest;
  readonly packing: Packing;
  readonly personHours: number;
}

/** Sizes and packs the crate of a session, or of the run while it has none. Throws 404. */
export function cratePapers(db: Store, runId: string, sessionId: string | null): CratePapers {
  const run = runRow(db, runId);
  const house = houseDoc(db);
  const { doc } = loadBrief(db, run.briefId);
  const sessions = sessionDocs(db, runId);
  const of = sessionId === null ? null : sessions.find((s) => s.id === sessionId);
  if (of === undefined) throw notFound("session of this run", "session");
  const list = materialList(db);
  const crate = crateInput(run, doc, sessions, list, of === null ? { kind: "run" } : { kind: "session", id: of.id });
  const manifest = manifestOf(crate);
  return {
    house,
    run,
    session: of,
    lines: doc.lines,
    tiers: new Map(fillBrief(doc, fillingOf(doc, run, list)).tiers.map(({ id, words }) => [id, words])),
    materials: new Map(list.map((material) => [material.id, material])),
    crate,
    manifest,
    packing: packingOf({
      lines: crate.lines,
      manifest,
      buildBy: doc.buildBy,
      teamSize: doc.teamSize,
      tiers: doc.tiers.map(({ id, share }) => ({ id, share })),
    }),
    personHours: preparation(tasksOf({ crate, unpacked: unpackedOf(doc) }, manifest, house.preparing.times), []).personHours,
  };
}
