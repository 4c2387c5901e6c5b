import { descent } from "./descent/index.ts";
import { drive } from "./drive/index.ts";
import type { FamilyId } from "./familyIds.ts";
import { float } from "./float/index.ts";
import { glide } from "./glide/index.ts";
import { landing } from "./landing/index.ts";
import { launchBand } from "./launchBand/index.ts";
import { launchPuff } from "./launchPuff/index.ts";
import { probe } from "./probe/index.ts";
import { roll } from "./roll/index.ts";
import type { Family } from "./shape.ts";
import { span } from "./span/index.ts";
import { tall } from "./tall/index.ts";

/** Every family. To add one: a folder beside these, its id in `familyIds.ts`, its line here and in `loadFamily.ts`; the compiler names what is missing. */
export const families: Readonly<Record<FamilyId, Family>> = {
  span,
  float,
  descent,
  landing,
  "launch-band": launchBand,
  "launch-puff": launchPuff,
  glide,
  roll,
  drive,
  tall,
  probe,
};
