/** How long something takes, min: log-normal by mean and coefficient of variation (0: always the same), or exponential, to check against closed forms. */
export interface Takes {
  readonly meanMin: number;
  readonly cv: number;
  readonly shape: "log-normal" | "exponential";
}

/** A drop-in day, minutes from opening; null is endless. `../../../docs/models.md`, "A drop-in day", says what happens in it. */
export interface DropIn {
  readonly expectedParties: number;
  /** Of each quarter hour from opening; what lies at or after last entry is lost. */
  readonly weights: readonly number[];
  /** Share of parties of 1, 2, 3 … builders. */
  readonly partySizeShares: readonly number[];
  /** Who builds: each builder alone, or a party as one team. */
  readonly unit: "builder" | "team";
  readonly lastEntryMin: number;
  readonly closingMin: number;
  /** After closing, until all stop. */
  readonly graceMin: number;
  readonly seats: number | null;
  readonly kits: number | null;
  readonly hosts: number | null;
  readonly rigs: number | null;
  /** Exponential; 0: sit at once or go; null: nobody gives up. */
  readonly patienceMeanMin: number | null;
  readonly welcome: Takes;
  readonly build: Takes;
  readonly trials: number;
  readonly trial: Takes;
  /** Who builds again after a test. */
  readonly rebuildChance: number;
  readonly mostRebuilds: number;
  /** Of a build's time. */
  readonly rebuildFraction: number;
}

/** Minutes of a bin of arrivals and of use. */
export const quarterMin = 15;

/** When all stop, min. */
export const stopMin = ({ closingMin, graceMin }: DropIn): number => closingMin + graceMin;
