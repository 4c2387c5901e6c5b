import { randomBytes } from "node:crypto";
import type { KeyedDoc, KeyedInput } from "@lampcrate/contract";
import { eq } from "drizzle-orm";
import { entry } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField } from "../../http/problem.ts";
import type { Person } from "../house/person.ts";
import { newId } from "../ids.ts";
import { frozenVersion } from "../runs/briefs.ts";
import { runRow } from "../runs/runs.ts";
import { remember } from "../runs/undo.ts";
import { entryWriter } from "./entryWriter.ts";
import { readVersions } from "./readVersions.ts";
import { entryDoc } from "./seenEntry.ts";

/**
 * Keeps what came by mail or on paper as an entry of the published version, marked so; after the closing day too, as
 * letters take their time. It can be undone. Throws 422 naming each field that can't be read, or while nothing is published.
 */
export function keyIn(deps: Deps, person: Person, runId: string, input: KeyedInput): KeyedDoc {
  return deps.db.transaction((tx) => {
    const of = runRow(tx, runId);
    const version = of.publishedVersion;
    if (version === null) throw badField("versions", "Publish the run first: an entry belongs to a version that its family saw.");
    const versions = readVersions(input.versions, frozenVersion(tx, of.briefId, version).brief);
    const [id, secret, at] = [newId(), randomBytes(24).toString("base64url"), deps.clock()];
    const whole = { ...input, id, secret, tokens: [], timer: null, answers: [] };
    entryWriter(deps.db).write(runId, version, whole, versions, at, { keyedIn: true });
    const row = tx.select().from(entry).where(eq(entry.id, id)).get();
    if (!row) throw new Error("an entry that was just written is there");
    remember(tx, person, at, {
      runId,
      kind: "keyed in",
      subject: id,
      words: `keyed in ${row.alias}`,
      before: null,
      revisionBefore: 0,
      revisionAfter: 1,
    });
    return { entry: entryDoc(tx, of, row), secret };
  });
}
