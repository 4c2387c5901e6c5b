import type { CalendarDoc, CalendarSave, HouseDoc } from "@lampcrate/contract";
import {
  clashesTold,
  type HeldSession,
  type Pin,
  type Placement,
  type PlacingStep,
  type SessionAsks,
  type ToldClash,
  type WantedPlacing,
  wantedPlacing,
} from "@lampcrate/core";
import { useState } from "react";
import { askToPlace } from "../../shared/compute/placingDoor.ts";
import { useSearch } from "../../shared/compute/useSearch.ts";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { askedOf, type Typed } from "./asking.ts";

/** A search's answer with what it was asked. */
export interface Answer {
  readonly placement: Placement;
  readonly of: WantedPlacing;
  /** What was typed then. */
  readonly typed: Typed;
  readonly pins: readonly Pin[];
  readonly given: readonly string[];
}

/** A session where the plan has it. */
export interface PlannedSession {
  readonly id: string;
  readonly words: string;
  readonly start: string;
  readonly room: string;
  readonly people: readonly string[];
}

export function usePlacing(doc: CalendarDoc, house: HouseDoc) {
  const { step, trouble, start, stop } = useSearch<PlacingStep, Placement>();
  const [answer, setAnswer] = useState<Answer | null>(null);
  const { now } = useHouseDay();
  const place = (typed: Typed, pins: readonly Pin[], given: readonly string[]): void => {
    const asked = askedOf(typed, doc, { pins, given });
    const standing = doc.sessions.filter(({ endAt }) => endAt > now);
    start(
      { doing: "wishes", found: 0 },
      (tell) => askToPlace({ asked, house: plain(house), standing }, tell),
      (placement) => setAnswer({ placement, of: wantedPlacing(asked, house, standing), typed, pins, given }),
    );
  };
  return { step, answer, broken: trouble, place, stop, forget: () => setAnswer(null) };
}

/** Only what a worker needs of the house: the rest may not travel. */
const plain = ({ zone, rooms, closures, people, rules, rigs }: HouseDoc) => ({ zone, rooms, closures, people, rules, rigs });

/** The plan's sessions in order of time. */
export function plannedOf({ placement, of }: Answer): readonly PlannedSession[] {
  if (!placement.possible) return [];
  return [...placement.plan]
    .sort((a, b) => a.slot - b.slot)
    .map(({ session, slot, room, people }) => ({
      id: session,
      words: of.sessions.find(({ id }) => id === session)?.words ?? "",
      start: of.slots[slot]?.start ?? "",
      room,
      people,
    }));
}

/** What the plan adds to the calendar, as one step. */
export function savedAs(answer: Answer, doc: CalendarDoc): CalendarSave {
  const adds = plannedOf(answer).flatMap(({ id, start, room, people }): CalendarSave["adds"] => {
    const found = answer.of.sessions.find((one) => one.id === id);
    const run = doc.runs.find((one) => one.id === found?.wanted.runId);
    if (!found || !run) return [];
    const { setUpMin, tearDownMin, heads } = run.next;
    const before = found.wanted.after?.part ?? 0;
    const part = run.kind === "series" || found.wanted.inOrder ? before + found.number : null;
    const { minutes } = found.wanted;
    return [
      {
        runId: run.id,
        title: "",
        roomId: room,
        start,
        minutes,
        setUpMin,
        tearDownMin,
        heads,
        people,
        part,
        kind: "as the run" as const,
        cancelled: false,
      },
    ];
  });
  return { words: `placed ${adds.length === 1 ? "1 session" : `${adds.length} sessions`}`, changes: [], adds };
}

/** What would clash if the plan were taken over, in words: hours, breaks, adults, rigs and what else a placing doesn't ask. */
export function clashesOf(answer: Answer, doc: CalendarDoc, house: HouseDoc, now: number): readonly ToldClash[] {
  const added = savedAs(answer, doc).adds.map((add, i): HeldSession => {
    const run = doc.runs.find(({ id }) => id === add.runId);
    const at = answer.of.slots.find(({ start }) => start === add.start)?.at ?? 0;
    return { ...add, id: `placed ${i}`, title: run?.title ?? "", startAt: at, asks: run?.next.asks ?? noAsks };
  });
  const only = added.map(({ id }) => id);
  return clashesTold({ sessions: [...doc.sessions, ...added], runs: doc.runs, house, units: house.units, now, only });
}

const noAsks: SessionAsks = {
  room: { lengthM: null, widthM: null, heightM: null, seats: null, water: false, floor: "any" },
  children: 0,
  band: "8 to 10",
  adults: 0,
  rigs: 0,
};
