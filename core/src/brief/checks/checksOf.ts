import { roomLacks } from "../../calendar/clashes.ts";
import { goalsThatFit } from "../../calendar/goalThatFits.ts";
import { families } from "../../family/families.ts";
import { type Beside, type Check, type CheckedBrief, shortened } from "./check.ts";
import { crateChecks } from "./crateChecks.ts";
import { goalChecks } from "./goalChecks.ts";
import { lineChecks } from "./lineChecks.ts";
import { textChecks } from "./textChecks.ts";
import { tierChecks } from "./tierChecks.ts";

/** All that doesn't fit in a brief, what stops publishing first. */
export function checksOf(brief: CheckedBrief, beside: Beside): readonly Check[] {
  const found = [
    ...textChecks(brief, beside),
    ...lineChecks(brief, beside),
    ...goalChecks(brief, beside),
    ...tierChecks(brief, beside),
    ...crateChecks(brief, beside),
    ...ruleChecks(brief),
    ...roomChecks(brief, beside),
    ...dateChecks(beside),
  ];
  return found.sort((a, b) => Number(b.stops) - Number(a.stops));
}

/** Rules that can't be answered yes or no. */
function ruleChecks(brief: CheckedBrief): readonly Check[] {
  return brief.rules.flatMap((rule): readonly Check[] => {
    if (rule.words.trimEnd().endsWith("?")) return [];
    const rules = brief.rules.map((one) => (one.id === rule.id ? { ...one, words: `${one.words.replace(/[.!\s]+$/, "")}?` } : one));
    return [
      {
        id: `rule ${rule.id}`,
        at: "rules",
        stops: false,
        words: `“${shortened(rule.words)}” is answered yes or no: ask it as a question.`,
        mends: [{ words: "Put a question mark after it", patch: { rules } }],
      },
    ];
  });
}

/** What the rooms of the sessions to come lack for this brief, and which goal near its own each could host. */
function roomChecks(brief: CheckedBrief, { rooms, units }: Beside): readonly Check[] {
  const needs = { ...families[brief.family].needs(brief.spec), seats: null };
  return rooms.flatMap((room) => {
    const mends = goalsThatFit(brief.family, brief.spec, room, units)
      .slice(0, mostGoals)
      .map(({ words, spec }) => ({ words: `Fit ${room.name}: ${words}`, patch: { spec } }));
    return roomLacks(room, needs, units).map(
      ({ words, solve }, i): Check => ({
        id: `room ${room.id} ${i}`,
        at: "calendar",
        stops: false,
        words: `${words} ${solve}`,
        mends: i === 0 ? mends : [],
      }),
    );
  });
}

const mostGoals = 2;

/** Days that are over, or in the wrong order. */
function dateChecks({ dates: { opens, closes, reveal }, today }: Beside): readonly Check[] {
  const found: Check[] = [];
  if (closes !== null && closes < today)
    found.push({
      id: "closes past",
      at: "calendar",
      stops: false,
      words: "The day on which entries close is over: nobody could send anything.",
      mends: [],
    });
  if (opens !== null && closes !== null && opens > closes)
    found.push({ id: "opens late", at: "calendar", stops: true, words: "Entries would close before they open.", mends: [] });
  if (reveal !== null && closes !== null && reveal < closes)
    found.push({ id: "reveal early", at: "calendar", stops: false, words: "The reveal is before entries close.", mends: [] });
  return found;
}
