import type { Family, Values } from "../../family/shape.ts";
import { checkVersion, type TestRoom } from "../../finding/entryCheck.ts";
import type { Verdict } from "../../finding/flag.ts";
import type { TapOutcome } from "./taps.ts";

const quiet: Verdict = { flag: null, offers: [] };

/**
 * A floor's result under the same checks as an entry's from home, and within the room of its session: by the plain
 * build, for on the floor nobody declares theirs, and not against others of its unit, which may have built anew. What
 * has no number is never flagged.
 */
export function checkResult(
  family: Family,
  { spec, design }: { readonly spec: Values; readonly design: Values },
  { raw, outcome }: { readonly raw: string; readonly outcome: TapOutcome },
  room: TestRoom | null,
): Verdict {
  if (outcome === "failed" || outcome === "rung") return quiet;
  const trial = { raw, instrument: family.measures(spec)[0].instruments[0] ?? "" };
  const [checked] = checkVersion(family, spec, design, { role: "build", variables: {}, place: null, room, trials: [trial] });
  return checked?.verdict ?? quiet;
}
