import type { Token } from "../quantity/parse.ts";
import type { Dimension } from "../quantity/units.ts";
import type { Band } from "./band.ts";
import type { Bounds, Place, Quality } from "./bounds.ts";
import type { TestPlace, TierKind } from "./choices.ts";
import type { FamilyId } from "./familyIds.ts";

/** Values of a brief's goal or design by field id; numbers are SI. */
export type Values = Readonly<Record<string, number | string>>;

/** A number set on a ruler. Bounds, step and default in SI. */
export interface NumberField {
  readonly kind: "number";
  readonly id: string;
  readonly words: string;
  readonly dimension: Dimension;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly start: number;
  /** Unit shown on its ruler in metric houses, where the usual choice reads badly. */
  readonly unit?: string | undefined;
  readonly when?: When | undefined;
}

/** One of a short list. */
export interface ChoiceField {
  readonly kind: "choice";
  readonly id: string;
  readonly words: string;
  readonly options: readonly { readonly id: string; readonly words: string }[];
  readonly start: string;
  readonly when?: When | undefined;
}

/** A field that only stands when another one has one of these values. */
export interface When {
  readonly field: string;
  readonly is: readonly string[];
}

export type Field = NumberField | ChoiceField;

/** What a failed trial counts as: nothing at all for a load, a count, a height; no value for a time. */
export type FailedCountsAs = 0 | null;

/** What one trial measures. */
export interface Measure {
  readonly id: string;
  readonly words: string;
  readonly dimension: Dimension;
  readonly quality: Quality;
  readonly better: "more" | "less";
  /** Unit of a bare number; null for counts. */
  readonly unit: string | null;
  readonly instruments: readonly string[];
  readonly token?: Token | undefined;
  /** What else it may be counted in: tokens that the brief or a family names. */
  readonly tokens?: readonly Token[] | undefined;
  /** Found step by step, load by load or rung by rung: how one says that it still held when they stopped, and what it gave way at. */
  readonly steps?: { readonly holds: string; readonly breaks: string } | undefined;
  /** A test is passed or not, in words; a number that is written beside counts as passed, and is a further outcome. */
  readonly passes?: { readonly passed: string; readonly not: string; readonly asked?: number | undefined } | undefined;
  /** Judged by rungs, the best first; `asked`: the place of the least that will do. */
  readonly rungs?: { readonly steps: readonly string[]; readonly asked: number } | undefined;
  /** What varies from trial to trial; only trials at the same setting compare. With rungs at a number it is a ladder. */
  readonly setting?: Field | undefined;
  /** The brief's own value of what varies, SI or a choice's id: where a number is judged, it is by trials at it. */
  readonly settingAt?: number | string | undefined;
  /** No number is written beside the answer. */
  readonly numberless?: boolean | undefined;
  /** What a failed trial counts as, where the brief says so. */
  readonly failedAs?: FailedCountsAs | undefined;
}

/** What a prediction is told in: a dimension people measure, or a plain number of calibres or of times g. */
export type PredictedIn = Dimension | "ratio" | "calibres" | "gees";

/** Words in which each {} stands for the next number, so that they are told in the run's own units. */
export interface Told {
  readonly words: string;
  readonly fill?: readonly (readonly [value: number, dimension: PredictedIn])[] | undefined;
}

/** A prediction with its band; a rough guide. */
export interface Prediction {
  readonly id: string;
  readonly words: string;
  readonly dimension: PredictedIn;
  readonly band: Band;
}

/** What a result must reach. */
export interface Goal {
  readonly measure: string;
  readonly value: number;
  readonly better: "more" | "less";
}

/** What a run of this brief asks of the room and the people. Lengths in m. */
export interface Needs extends Told {
  readonly lengthM: number;
  readonly widthM: number;
  /** null: any usual room. */
  readonly heightM: number | null;
  readonly water: boolean;
  /** What the floor must be; any where nothing is asked. */
  readonly floor: "any" | "level" | "washable";
  readonly minutesPerTrial: number;
  /** Rigs that one adult can stand at. */
  readonly rigsPerAdult: number;
}

export interface Caution {
  readonly id: string;
  readonly words: string;
}

/** What a caution list is drawn up for. */
export interface CautionContext {
  readonly youngestAge: number;
  /** Allergens of the crate's materials, such as "wheat". */
  readonly allergens: readonly string[];
  readonly smallParts: boolean;
  readonly latex: boolean;
  /** What the crate's materials can do: cut, prick, burn, close over a face. */
  readonly hazards?: readonly Hazard[] | undefined;
  readonly place?: TestPlace | undefined;
}

/** What about a material can hurt: see `hazards.ts`. */
export type Hazard = "sharp edge" | "pointed" | "hot" | "film" | "snaps";

/** Words that stand only for some builds, by a choice of goal or plain build, or only at home or at the house. May have places for the brief's numbers. */
export interface Said {
  readonly words: string;
  readonly when?: When;
  readonly at?: "home" | "house";
}

/** What is seen when a build fails, with a question first and a nudge after it. */
export interface Symptom extends Said {
  readonly id: string;
  readonly question: string;
  readonly nudge: string;
}

export interface Step extends Said {
  readonly adult?: boolean;
}

/** How a test is held, so that two tests compare. */
export interface Protocol {
  readonly before: string;
  readonly starts: string;
  readonly stops: string;
  readonly order: string;
  /** Set where the family has a bare control test. */
  readonly control?: string;
  readonly trials: number;
}

/** A tier worth offering with this family; a planner changes it. */
export interface FamilyTier {
  readonly kind: TierKind;
  readonly words: string;
  /** A stretch goal's multiple of the goal. */
  readonly times?: number;
}

/** A number of the goal that makes the test tell more or less, and the way in which it tells more. */
export interface Lever {
  readonly field: string;
  readonly tellsMore: "up" | "down";
  /** Fits "From … of 1.8 m": "a drop". */
  readonly words: string;
}

/** One mark of a rig drawing, in metres, x to the right and y up from the floor. */
export type Mark =
  | {
      readonly kind: "block";
      readonly role: Role;
      readonly x: number;
      readonly y: number;
      readonly w: number;
      readonly h: number;
      /** Shown on it. */
      readonly massKg?: number;
    }
  | { readonly kind: "path"; readonly role: Role; readonly points: readonly (readonly [number, number])[]; readonly closed?: boolean }
  | { readonly kind: "disc"; readonly role: Role; readonly x: number; readonly y: number; readonly r: number }
  | { readonly kind: "arrow"; readonly role: Role; readonly from: readonly [number, number]; readonly to: readonly [number, number] }
  | {
      readonly kind: "measure";
      readonly from: readonly [number, number];
      readonly to: readonly [number, number];
      readonly valueSi: number;
      readonly words?: string;
    }
  | {
      readonly kind: "note";
      readonly x: number;
      readonly y: number;
      readonly words: string;
      readonly fill?: Told["fill"];
      readonly tone?: "predicted" | "plain";
      /** Hangs under its point, however small the picture. */
      readonly below?: boolean;
      readonly anchor?: "start" | "middle" | "end";
    };

/** A place in a drawing that can be taken hold of: moved that way, its field grows. Metres of the drawing. */
export interface Grip {
  /** Whose field it is: the goal's or the plain build's. */
  readonly of: "spec" | "design";
  readonly field: string;
  readonly at: readonly [number, number];
  /** A direction of length 1 in which more of it lies. */
  readonly toward: readonly [number, number];
  /** How much the field grows, SI, for each metre that way. */
  readonly perM: number;
}

export type Role = "support" | "floor" | "build" | "load" | "water" | "tub" | "path" | "lane";

/** A rig to scale: numbers only, the interface draws them. */
export interface Scene {
  readonly width: number;
  readonly height: number;
  readonly marks: readonly Mark[];
  readonly describe: string;
  /** What in it can be moved by hand. */
  readonly grips?: readonly Grip[] | undefined;
  /** What happens when it is let go; the marks above are its still. */
  readonly motion?: Motion | undefined;
}

/** A test as it would go, in its computed time. */
export interface Motion {
  readonly durationS: number;
  /** What one sees, in words; stands in for the moving picture. */
  readonly told: Told;
  /** Marks of the scene that the moving ones take the place of, by their place in `marks`. */
  readonly replaces: readonly number[];
  /** The moving marks at a time, s. */
  readonly at: (timeS: number) => readonly Mark[];
}

/** One challenge family: all that the product knows of it. Adding a family is adding one module of this shape. */
export interface Family {
  readonly id: FamilyId;
  readonly words: string;
  readonly ask: string;
  /** The goal's numbers. */
  readonly spec: readonly Field[];
  /** The plain build that the prediction is made for. */
  readonly design: readonly Field[];
  /** What builders may change, as they declare it. */
  readonly variables: readonly Field[];
  readonly measures: (spec: Values) => readonly [Measure, ...Measure[]];
  /** What else may be measured beside, where a brief asks for it. */
  readonly further?: (spec: Values) => readonly Measure[];
  /** Fields of goal or variables that a brief may let vary from trial to trial, and what each is called then: "drop height". */
  readonly settings?: Readonly<Record<string, string>>;
  /** Where a ladder of settings begins and ends, SI; the brief's own value where it isn't said. */
  readonly ladder?: (spec: Values) => { readonly first: number; readonly last: number };
  /** What a result of the main measure comes to besides, worked out and not measured: a mean speed from drop and time. */
  readonly worked?: (spec: Values, si: number) => Told;
  readonly goal: (spec: Values) => Goal;
  /** The field whose ruler shows the band predicted for the goal's measure; null where the goal is reached or not, without a number. */
  readonly goalField: (spec: Values) => string | null;
  readonly goalWords: (spec: Values, show: (si: number, dimension: Dimension) => string) => string;
  readonly predict: (spec: Values, design: Values) => readonly Prediction[];
  /** What cannot work about this build, and its cure; null when nothing is known against it. */
  readonly cannot: (spec: Values, design: Values) => Told | null;
  /** Builds of one form share what earlier results teach. */
  readonly formOf: (spec: Values, design: Values) => string;
  /** A change worth comparing with the plain build. */
  readonly rival: (design: Values) => Values;
  readonly levers: (spec: Values) => readonly Lever[];
  readonly bounds: (measure: string, spec: Values, design: Values, sd: number, place?: Place) => Bounds;
  /** The same for the bare control test; only where the protocol has one. */
  readonly controlBounds?: (spec: Values, design: Values, sd: number) => Bounds;
  readonly needs: (spec: Values) => Needs;
  readonly cautions: (spec: Values, context: CautionContext) => readonly Caution[];
  readonly symptoms: readonly Symptom[];
  readonly protocol: Protocol;
  readonly rules: readonly Said[];
  readonly tiers: readonly FamilyTier[];
  readonly howTo: readonly Step[];
  readonly idea: string;
  readonly questions: { readonly before: readonly string[]; readonly during: readonly string[]; readonly after: readonly string[] };
  readonly drawing: (spec: Values, design: Values) => Scene;
}
