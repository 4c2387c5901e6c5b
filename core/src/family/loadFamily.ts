import type { FamilyId } from "./familyIds.ts";
import type { Family } from "./shape.ts";

const doors: Readonly<Record<FamilyId, () => Promise<Family>>> = {
  span: async () => (await import("./span/index.ts")).span,
  float: async () => (await import("./float/index.ts")).float,
  descent: async () => (await import("./descent/index.ts")).descent,
  landing: async () => (await import("./landing/index.ts")).landing,
  "launch-band": async () => (await import("./launchBand/index.ts")).launchBand,
  "launch-puff": async () => (await import("./launchPuff/index.ts")).launchPuff,
  glide: async () => (await import("./glide/index.ts")).glide,
  roll: async () => (await import("./roll/index.ts")).roll,
  drive: async () => (await import("./drive/index.ts")).drive,
  tall: async () => (await import("./tall/index.ts")).tall,
  probe: async () => (await import("./probe/index.ts")).probe,
};

/** One family alone, for pages that show one challenge: a phone need not load the others. */
export function loadFamily(id: FamilyId): Promise<Family> {
  return doors[id]();
}
