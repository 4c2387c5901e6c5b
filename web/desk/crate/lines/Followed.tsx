import type { MaterialDoc } from "@lampcrate/contract";
import { boundParts, briefField, type KitLine, type UnitChoice } from "@lampcrate/core";
import { useBriefWork } from "../../work/RunContext.ts";
import { type BoundSaid, boundSaid } from "./boundWords.ts";

interface FollowedProps {
  readonly line: KitLine;
  readonly unit: MaterialDoc["unit"];
  readonly units: UnitChoice;
}

/** What a line follows, or what it stands apart from, in a few words. */
export function Followed({ line, unit, units }: FollowedProps) {
  const { brief } = useBriefWork();
  const said = boundParts.flatMap((part) => boundSaid(brief, line, part, unit, units) ?? []);
  const { material } = line.bind;
  const choice = material && !material.loose ? briefField(brief.family, material.field)?.field.words.toLowerCase() : undefined;
  const words = [...new Set([...said.map(wordsOf), choice ? `is the ${choice}` : ""].filter(Boolean))];
  if (words.length === 0) return null;
  return <div className={said.some(({ apart }) => apart) ? "small apart" : "small soft"}>{words.join("; ")}</div>;
}

function wordsOf({ field, would, apart, loose }: BoundSaid): string {
  if (apart) return `stands by itself; ${field.toLowerCase()} would have it ${would}`;
  return loose || would === null ? "" : `follows ${field.toLowerCase()}`;
}
