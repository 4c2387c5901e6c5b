import type { FeedDoc, FeedInput, NewFeed } from "@lampcrate/contract";
import { apartWords, type IcsEvent, writeIcs } from "@lampcrate/core";
import { asc, eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { feed, person, room, run, session } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField, notFound } from "../../http/problem.ts";
import { newId, newSecret } from "../ids.ts";
import { hashOf } from "../secrets.ts";
import { trail } from "./audit.ts";
import { houseDoc } from "./house.ts";
import type { Person } from "./person.ts";

const docOf = ({ tokenHash: _, ...kept }: typeof feed.$inferSelect): FeedDoc => kept;

/** The house's feeds, without their addresses: those are told once. */
export function feedList(db: Store): readonly FeedDoc[] {
  return db.select().from(feed).orderBy(asc(feed.madeAt)).all().map(docOf);
}

/** What a feed is of, in words; null when it is there no more. */
function subjectName(db: Store, { scope, subject }: FeedInput): string | null {
  if (scope === "house") return subject === "" ? houseDoc(db).name : null;
  const of = scope === "room" ? room : person;
  return db.select({ name: of.name }).from(of).where(eq(of.id, subject)).get()?.name ?? null;
}

/** Makes a feed with an address of its own. Throws 422 for a room or a person that isn't there. */
export function addFeed(deps: Deps, by: Person, input: FeedInput): NewFeed {
  return deps.db.transaction((tx) => {
    const name = subjectName(tx, input);
    if (name === null) throw badField("subject", "The house has no such room or person.");
    const secret = newSecret();
    const row = { ...input, id: newId(), tokenHash: hashOf(secret), madeAt: deps.clock() };
    tx.insert(feed).values(row).run();
    trail(tx, deps.clock(), by, "settings", `made a calendar address for ${name}`);
    return { ...docOf(row), address: `${houseDoc(tx).publicUrl}/api/public/feeds/${secret}/calendar.ics` };
  });
}

/** Ends a feed: its address leads nowhere from then on. */
export function removeFeed(deps: Deps, by: Person, id: string): void {
  deps.db.transaction((tx) => {
    const found = tx.select().from(feed).where(eq(feed.id, id)).get();
    if (!found) throw notFound("calendar address");
    tx.delete(feed).where(eq(feed.id, id)).run();
    trail(tx, deps.clock(), by, "settings", `ended the calendar address of ${subjectName(tx, found) ?? "what is gone"}`);
  });
}

/** What a feed holds, as iCalendar: times, places and titles of its own view, nobody's name. Throws 404 for one that was ended, or whose room or person is gone. */
export function feedIcs(deps: Deps, secret: string): string {
  const found = deps.db
    .select()
    .from(feed)
    .where(eq(feed.tokenHash, hashOf(secret)))
    .get();
  const name = found ? subjectName(deps.db, found) : null;
  if (!found || name === null) throw notFound("calendar under this address");
  const { zone } = houseDoc(deps.db);
  return writeIcs({ name: `${name}, Lamp Crate`, zone, at: deps.clock(), events: eventsOf(deps.db, found) });
}

function eventsOf(db: Store, { scope, subject }: FeedInput): readonly IcsEvent[] {
  return db
    .select({ session, title: run.title, runStatus: run.status, place: room.name })
    .from(session)
    .innerJoin(run, eq(run.id, session.runId))
    .leftJoin(room, eq(room.id, session.roomId))
    .where(eq(run.archived, false))
    .orderBy(asc(session.startAt))
    .all()
    .filter(({ session: { roomId, people } }) => scope === "house" || (scope === "room" ? roomId === subject : people.includes(subject)))
    .map(({ session: held, title, runStatus, place }) => ({
      uid: `session-${held.id}@lamp-crate`,
      start: held.startAt,
      end: held.startAt + held.minutes * 60_000,
      title: [title, held.part === null ? "" : `part ${held.part}`, apartWords(held.kind)].filter(Boolean).join(", "),
      place: place ?? "",
      notes: [
        held.title,
        held.setUpMin > 0 ? `set-up ${held.setUpMin} min before` : "",
        held.tearDownMin > 0 ? `tear-down ${held.tearDownMin} min after` : "",
      ]
        .filter(Boolean)
        .join("; "),
      status: held.cancelled || runStatus === "cancelled" ? "CANCELLED" : runStatus === "draft" ? "TENTATIVE" : "CONFIRMED",
      sequence: held.sequence,
    }));
}
