import type { KitLine, LineBind, RunKind, Values } from "@lampcrate/core";
import type { MaterialInput } from "../store/material.ts";
import type { BriefDoc } from "./brief.ts";
import type { RunSettings } from "./run.ts";

/** A line of a pack names its material by key. */
export interface PackLine extends Omit<KitLine, "materialId" | "standInRatio" | "bind"> {
  readonly material: string;
  /** 1 where a pack does not say. */
  readonly standInRatio?: number;
  /** Nothing follows the brief where a pack does not say. */
  readonly bind?: LineBind;
}

/** A material as it travels: what it is, not how much of it a house has. */
export interface PackMaterial extends Omit<MaterialInput, "onHand" | "perWeek"> {
  readonly key: string;
}

/** A brief with everything in it: docs/formats/challenge-pack.schema.json. */
export interface ChallengePack {
  readonly format: "lamp-crate challenge pack";
  readonly version: 1;
  readonly title: string;
  readonly kind: RunKind;
  readonly units: RunSettings["units"];
  readonly brief: Omit<BriefDoc, "lines">;
  readonly lines: readonly PackLine[];
  readonly materials: readonly PackMaterial[];
}

/** What a pack would bring, before it is brought in. */
export interface PackPreview {
  readonly title: string;
  readonly family: BriefDoc["family"];
  readonly goal: string;
  readonly story: string;
  readonly lines: readonly string[];
  /** Materials that the store room doesn't have yet and would get, with none on hand. */
  readonly newMaterials: readonly string[];
  readonly cautions: number;
  readonly rules: number;
  readonly hints: number;
  readonly tiers: number;
  /** Parts that this version doesn't know: kept, and written out again. */
  readonly unknown: readonly string[];
}

/** A brief that ships with the application, ready to start a run from. */
export interface StarterLine {
  readonly id: string;
  readonly title: string;
  readonly family: BriefDoc["family"];
  readonly kind: RunKind;
  readonly goal: string;
  readonly told: string;
  readonly minutes: number;
  readonly youngestAge: number;
  readonly lines: number;
  /** What its rig is drawn from. */
  readonly spec: Values;
  readonly design: Values;
}
