import { asFamily, families, type KitLine, startValues } from "@lampcrate/core";
import * as kit from "../../core/test/samples.ts";
import { type BriefDoc, type BuyingDoc, type MaterialDoc, openAtOnce, plainMaterial, type SessionDoc } from "../src/index.ts";

export { line } from "../../core/test/samples.ts";

export const material = (id: string, patch: Partial<MaterialDoc> = {}): MaterialDoc => ({
  ...plainMaterial,
  ...kit.material(id),
  name: id,
  archived: false,
  revision: 1,
  ...patch,
});

export const supplyHouse: BuyingDoc["house"] = { ...kit.supplyHouse, closures: [], currency: "EUR", units: "metric" };

export const brief = (lines: readonly KitLine[]): BriefDoc => ({
  ...kit.kitBrief(lines),
  family: "span",
  story: "",
  spec: startValues(families.span.spec),
  design: startValues(families.span.design),
  trials: 3,
  outcomes: asFamily,
  youngestAge: 6,
  sketchFirst: true,
  plainBuildShown: true,
  hintsOpen: openAtOnce,
  tiers: [],
  cautions: [],
  compared: null,
  instrument: "",
  buildMinutes: 20,
  protocolNote: "",
  prize: "",
  rules: [],
  hints: [],
  translations: {},
});

export const session = (id: string, cancelled = false): SessionDoc => ({
  ...kit.session(id, cancelled),
  runId: "run",
  revision: 1,
  roomId: "r",
  zone: "CET",
  minutes: 60,
  people: [],
  part: null,
  repeatId: null,
});
