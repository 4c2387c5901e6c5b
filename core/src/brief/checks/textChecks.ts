import { briefField } from "../briefFields.ts";
import { fillText, textTrouble } from "../fill.ts";
import { meantIn, statedPlace, withPlace } from "../meant.ts";
import { textsOf, withTexts } from "../texts.ts";
import { type Beside, type Check, type CheckAt, type CheckedBrief, fillingFor, shortened } from "./check.ts";

const placeOfText = (path: string): CheckAt => {
  const [list = ""] = path.split(/[[.]/);
  const known: Readonly<Record<string, CheckAt>> = { tiers: "tiers", rules: "rules", hints: "hints", cautions: "cautions" };
  return known[list] ?? "story";
};

/** Texts that name what isn't there, or say a number that the brief has otherwise. */
export function textChecks(brief: CheckedBrief, beside: Beside): readonly Check[] {
  const filling = fillingFor(brief, beside);
  const nameOf = (id: string): string => beside.materials.find((m) => m.id === id)?.name ?? "";
  const set = (path: string, text: string): Partial<CheckedBrief> => textsPatch(brief, path, text);
  return textsOf(brief).flatMap(({ path, times, text }): readonly Check[] => {
    const at = placeOfText(path);
    const trouble = textTrouble(text, { ...filling, times });
    if (trouble !== null) return [{ id: `text ${path}`, at, stops: true, words: trouble, mends: [] }];
    const said = fillText(text, { ...filling, times });
    const unsaid = /\{(\w[\w·]*)/.exec(said)?.[1];
    if (unsaid !== undefined) {
      const field = briefField(brief.family, unsaid)?.field.words ?? unsaid;
      const words = `“${shortened(said)}” tells “${field}”, which has no value now: set it, or take it out of the words.`;
      return [{ id: `empty ${path}`, at, stops: true, words, mends: [] }];
    }
    return meantIn(text, brief, nameOf)
      .filter(({ same }) => !same)
      .map((meant) => ({
        id: `number ${path} ${meant.number.from} ${meant.number.written}`,
        at,
        stops: true,
        words: `“${meant.around}”, but “${meant.field}” is ${fillText(meant.place, filling)}.`,
        mends: [
          { words: `Say ${fillText(meant.place, filling)}, and follow it`, patch: set(path, withPlace(text, meant, meant.place)) },
          { words: "It means something else", patch: set(path, withPlace(text, meant, statedPlace(meant.number))) },
        ],
      }));
  });
}

function textsPatch(brief: CheckedBrief, at: string, text: string): Partial<CheckedBrief> {
  const next = withTexts(brief, (words, { path }) => (path === at ? text : words));
  const key = at.split(/[[.]/)[0] as keyof CheckedBrief;
  return { [key]: next[key] };
}
