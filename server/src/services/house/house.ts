import { isDeepStrictEqual } from "node:util";
import type { HouseDoc, HouseInput, PreparingDoc, SetupInput } from "@lampcrate/contract";
import { instantOf, usualBench, usualGathering, usualRules, usualTimes } from "@lampcrate/core";
import { asc, count, eq, notInArray } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { closure, house, person, room, session, staff } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField, Problem, stale } from "../../http/problem.ts";
import { newId } from "../ids.ts";
import { trail } from "./audit.ts";
import { refuseFarDays } from "./farDays.ts";
import { hashPassword, refuseWeak } from "./passwords.ts";
import type { Person } from "./person.ts";
import { moveSessions } from "./sessionZone.ts";

const houseId = 1;

/** True until the first planner has made the house. */
export function isEmpty(db: Store): boolean {
  return db.select({ n: count() }).from(house).get()?.n === 0;
}

/** The house with its rooms and closures. Throws 409 while there is none. */
export function houseDoc(db: Store): HouseDoc {
  const found = db.select().from(house).where(eq(house.id, houseId)).get();
  if (!found) throw new Problem(409, "Set up first", "This installation has no house yet. Open its first page and set it up.");
  const rooms = db
    .select()
    .from(room)
    .orderBy(asc(room.place))
    .all()
    .map(({ place: _, ...kept }) => kept);
  const closures = db.select().from(closure).orderBy(asc(closure.from)).all();
  const people = db
    .select()
    .from(person)
    .orderBy(asc(person.place))
    .all()
    .map(({ place: _, ...kept }) => kept);
  const { name, zone, currency, units, publicUrl, keepingDays, tokens, rigs, revision } = found;
  const preparing = found.preparing ?? usualPreparing;
  const rules = found.rules ?? usualRules;
  const gathering = found.gathering ?? usualGathering;
  const bench = found.bench ?? usualBench;
  return {
    name,
    zone,
    currency,
    units,
    publicUrl,
    keepingDays,
    revision,
    rooms,
    closures,
    preparing,
    tokens,
    people,
    rules,
    gathering,
    rigs,
    bench,
  };
}

/** Until a house says otherwise. */
const usualPreparing: PreparingDoc = { weekdays: [1, 2, 3, 4, 5], people: 1, hours: 2, times: usualTimes };

/** The house's zone, and what moves when the house is changed. */
export function houseStamp(db: Store): { readonly zone: string; readonly revision: string } {
  const found = db
    .select({ zone: house.zone, revision: house.revision, url: house.publicUrl })
    .from(house)
    .where(eq(house.id, houseId))
    .get();
  return { zone: found?.zone ?? "UTC", revision: `${found?.revision} ${found?.url}` };
}

/** The house's zone alone. */
export function houseZone(db: Store): string {
  return db.select({ zone: house.zone }).from(house).where(eq(house.id, houseId)).get()?.zone ?? "UTC";
}

/** Makes the house and its first planner. Throws 403 on a wrong code, 409 when there is one already. */
export async function setUp(deps: Deps, input: SetupInput): Promise<string> {
  const refuseSecond = (db: Store): void => {
    if (!isEmpty(db)) throw new Problem(409, "Set up already", "This house has been set up. Sign in instead.");
  };
  refuseSecond(deps.db);
  if (input.code.trim() !== deps.setupCode)
    throw new Problem(403, "Wrong code", "Type the set-up code that the server printed when it started.", {
      errors: [{ field: "code", message: "This is not the code that the server printed." }],
    });
  refuseWeak(input.password, [input.name, input.signIn, input.houseName]);
  const passwordHash = await hashPassword(input.password);
  const id = newId();
  deps.db.transaction((tx) => {
    // Another set-up may have come through while the password was being hashed.
    refuseSecond(tx);
    tx.insert(house)
      .values({
        id: houseId,
        name: input.houseName,
        zone: input.zone,
        currency: input.currency,
        units: input.units,
        publicUrl: plainAddress(input.publicUrl),
        urlFromServer: deps.url,
        keepingDays: 90,
        revision: 1,
      })
      .run();
    tx.insert(staff)
      .values({ id, name: input.name, signIn: input.signIn.toLowerCase(), role: "planner", passwordHash, active: true })
      .run();
    trail(tx, deps.clock(), { id, name: input.name }, "settings", `set up ${input.houseName}`);
  });
  return id;
}

const plainAddress = (url: string): string => url.replace(/\/+$/, "");

/** A new LAMPCRATE_URL moves the house's public address; one that was there before leaves later edits alone. */
export function followServerUrl(db: Store, url: string | null): void {
  if (url === null) return;
  const found = db.select().from(house).where(eq(house.id, houseId)).get();
  if (found && found.urlFromServer !== url)
    db.update(house)
      .set({ publicUrl: plainAddress(url), urlFromServer: url })
      .where(eq(house.id, houseId))
      .run();
}

/** Saves the house, its rooms and closures, all or nothing. */
export function saveHouse(deps: Deps, by: Person, input: HouseInput): HouseDoc {
  return deps.db.transaction((tx) => {
    const now = houseDoc(tx);
    if (now.revision !== input.revision) throw stale(now, []);
    for (const [i, day] of input.closures.entries()) {
      refuseFarDays(deps.clock(), input.zone, { [`closures[${i}].from`]: day.from, [`closures[${i}].to`]: day.to });
      if (day.to < day.from) throw badField(`closures[${i}].to`, "The last closed day is before the first.");
    }
    refuseWrongAway(input);
    const kept = input.rooms.map((r) => r.id);
    const inUse = tx
      .select({ name: room.name })
      .from(room)
      .innerJoin(session, eq(session.roomId, room.id))
      .where(kept.length > 0 ? notInArray(room.id, kept) : undefined)
      .get();
    if (inUse) throw badField("rooms", `${inUse.name} has sessions in it. Move them to another room first.`);
    tx.update(house)
      .set({
        name: input.name,
        zone: input.zone,
        currency: input.currency,
        units: input.units,
        publicUrl: plainAddress(input.publicUrl),
        keepingDays: input.keepingDays,
        preparing: input.preparing,
        tokens: input.tokens,
        rules: input.rules,
        gathering: input.gathering,
        rigs: input.rigs,
        bench: input.bench,
        revision: now.revision + 1,
      })
      .where(eq(house.id, houseId))
      .run();
    tx.delete(room)
      .where(kept.length > 0 ? notInArray(room.id, kept) : undefined)
      .run();
    for (const [place, r] of input.rooms.entries())
      tx.insert(room)
        .values({ ...r, place })
        .onConflictDoUpdate({ target: room.id, set: { ...r, place } })
        .run();
    savePeople(tx, input.people);
    if (input.zone !== now.zone) moveSessions(tx, input.zone, deps.clock());
    trail(tx, deps.clock(), by, "settings", houseWords(now, input));
    tx.delete(closure).run();
    for (const day of input.closures) tx.insert(closure).values(day).run();
    return houseDoc(tx);
  });
}

function refuseWrongAway({ people, zone }: HouseInput): void {
  for (const [i, { away }] of people.entries())
    for (const [j, time] of away.entries())
      for (const end of ["from", "to"] as const)
        if (instantOf(time[end], zone) === null)
          throw badField(`people[${i}].away[${j}].${end}`, "That is no date and time of the calendar.");
}

/** Puts people as they are now; who is gone is taken off their sessions. */
function savePeople(tx: Store, people: HouseInput["people"]): void {
  const ids = people.map(({ id }) => id);
  const gone = tx
    .select({ id: person.id })
    .from(person)
    .where(ids.length > 0 ? notInArray(person.id, ids) : undefined)
    .all()
    .map(({ id }) => id);
  tx.delete(person).run();
  for (const [place, one] of people.entries())
    tx.insert(person)
      .values({ ...one, place })
      .run();
  if (gone.length === 0) return;
  for (const { id, people: on } of tx.select({ id: session.id, people: session.people }).from(session).all())
    if (on.some((one) => gone.includes(one)))
      tx.update(session)
        .set({ people: on.filter((one) => !gone.includes(one)) })
        .where(eq(session.id, id))
        .run();
}

function houseWords(before: HouseDoc, after: HouseInput): string {
  const names = {
    name: "name",
    zone: "time zone",
    currency: "currency",
    units: "units",
    publicUrl: "public address",
    keepingDays: "days that entries are kept",
    rooms: "rooms",
    closures: "closed days",
    preparing: "preparing times",
    tokens: "things that loads are counted in",
    people: "people",
    rules: "rules for adults and breaks",
    gathering: "days and minutes for gathering entries",
    rigs: "rigs that are owned",
    bench: "devices at the bench",
  } as const;
  const changed = (Object.keys(names) as (keyof typeof names)[]).filter((key) => !isDeepStrictEqual(before[key], after[key]));
  return changed.length === 0 ? "saved the house" : `changed ${changed.map((key) => names[key]).join(", ")} of the house`;
}
