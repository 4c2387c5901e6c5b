import type { Bench, FamilyId, Gathering, HouseRules, NamedToken, Room, UnitChoice, WorkTimes } from "@lampcrate/core";
import type { Role } from "./capabilities.ts";

/** A room as it crosses the wire: as it is reckoned with. */
export type RoomDoc = Room;

export interface ClosureDoc {
  readonly id: string;
  /** First and last closed day, local dates, both closed. */
  readonly from: string;
  readonly to: string;
  readonly why: string;
}

/** When somebody can't be put on a session: wall clocks of the house, the end exclusive. */
export interface AwayDoc {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly why: string;
}

/** Somebody who can be put on sessions, with or without a sign-in of their own. */
export interface PersonDoc {
  readonly id: string;
  readonly name: string;
  /** Hours in one week, Monday to Sunday, set-up and tear-down counted; null: no limit. */
  readonly weekHours: number | null;
  readonly away: readonly AwayDoc[];
}

/** How many rigs of a family the house can set up at once. */
export interface OwnedRigs {
  readonly family: FamilyId;
  readonly owned: number;
}

/** Who prepares and when. */
export interface PreparingDoc {
  /** Working weekdays, ISO: 1 = Monday. */
  readonly weekdays: readonly number[];
  readonly people: number;
  /** Hours each of them has for it on a working day. */
  readonly hours: number;
  readonly times: WorkTimes;
}

export interface HouseInput {
  readonly revision: number;
  readonly name: string;
  readonly zone: string;
  readonly currency: string;
  readonly units: UnitChoice;
  /** Where families reach this house, such as https://builds.example.org. */
  readonly publicUrl: string;
  /** Days after the reveal until entries go. */
  readonly keepingDays: number;
  readonly rooms: readonly RoomDoc[];
  readonly closures: readonly ClosureDoc[];
  readonly preparing: PreparingDoc;
  /** Things that loads are counted in here, offered to every brief. */
  readonly tokens: readonly NamedToken[];
  readonly people: readonly PersonDoc[];
  /** Adults by age, and when a break is due. */
  readonly rules: HouseRules;
  /** When sheets go out, and how entries are looked at. */
  readonly gathering: Gathering;
  /** Families not named here are not counted. */
  readonly rigs: readonly OwnedRigs[];
  /** Devices whose readings land in results by themselves. */
  readonly bench: Bench;
}

export type HouseDoc = HouseInput;

export interface StaffDoc {
  readonly id: string;
  readonly name: string;
  readonly signIn: string;
  readonly role: Role;
  readonly active: boolean;
}

export interface StaffInput {
  readonly name: string;
  readonly signIn: string;
  readonly role: Role;
  readonly active: boolean;
  /** Left out when an existing password stays. */
  readonly password?: string;
}

/** One's own password, changed by oneself. */
export interface OwnPassword {
  readonly current: string;
  readonly next: string;
}

export interface SignInInput {
  readonly signIn: string;
  readonly password: string;
}

export interface SetupInput {
  readonly code: string;
  readonly houseName: string;
  readonly zone: string;
  readonly currency: string;
  readonly units: UnitChoice;
  readonly publicUrl: string;
  readonly name: string;
  readonly signIn: string;
  readonly password: string;
}
