import type { BuyingDoc, ToDo } from "@lampcrate/contract";
import {
  buyProblem,
  perWeekOf,
  preparingOf,
  type SeasonCrate,
  type Start,
  seasonStore,
  shortDate,
  showNumber,
  startsOf,
} from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { buyingQuery } from "../queries.ts";
import { useSeasonCrates } from "./useSeasonCrates.ts";

/** A step of a crate, planned back from its session. */
export interface SeasonStart extends ToDo {
  readonly kind: Start["kind"];
}

/** What the season's crates ask for, planned back from their sessions: to order, to collect, to prepare. Nothing while it is being reckoned. */
export function useSeasonStarts(): readonly SeasonStart[] {
  const doc = useQuery(buyingQuery).data;
  const { asked } = useSeasonCrates(doc);
  return useMemo(() => (doc && asked ? seasonStarts(doc, asked) : []), [doc, asked]);
}

function seasonStarts(doc: BuyingDoc, crates: readonly SeasonCrate[]): readonly SeasonStart[] {
  const starts = startsOf(crates, buyProblem(doc, crates), seasonStore(doc), perWeekOf(doc), doc.today, preparingOf(doc));
  const name = (id: string): string => doc.materials.find((m) => m.id === id)?.name ?? "";
  return starts.map((start) => {
    const { crate, kind, by, slack, materials } = start;
    return {
      kind,
      id: [kind, crate.id, ...materials.slice(0, 1).map((material) => material.id)].join(" "),
      runId: crate.runId,
      runTitle: crate.runTitle,
      due: by,
      slack,
      late: slack < 0,
      told: true,
      ...wordsOf(start, name, doc.today),
      step: kind === "prepare" ? ("crate" as const) : ("buying" as const),
    };
  });
}

const mostNamed = 3;

function wordsOf({ kind, crate, materials }: Start, name: (id: string) => string, today: string): Pick<ToDo, "words" | "detail"> {
  const day = shortDate(crate.date, today);
  const named = materials.slice(0, mostNamed).map(({ id }) => name(id));
  const list = `${named.join(", ")}${materials.length > mostNamed ? ` and ${materials.length - mostNamed} more` : ""}`;
  switch (kind) {
    case "prepare":
      return { words: `Begin preparing for ${day}`, detail: `${showNumber(crate.personHours, 1)} h of cutting, counting and packing` };
    case "order":
      return { words: `Order for ${day}`, detail: list };
    case "collect":
      return { words: `Ask people for ${list}`, detail: `for ${day}` };
  }
}
