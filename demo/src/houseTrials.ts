import { blankTrial, type HouseTrialInput, type VersionInput } from "@lampcrate/contract";

/** A practice build; what broke as [place of the line, went in, spoilt]. */
export interface DemoTrial extends Omit<HouseTrialInput, "broke"> {
  readonly broke: readonly (readonly [place: number, good: number, spoilt: number])[];
}

function build(instrument: string, raws: readonly (string | null)[], seen: readonly string[] = []): VersionInput {
  return {
    role: "build",
    changed: "",
    madeOf: "",
    pictures: [],
    variables: {},
    guess: null,
    guessed: null,
    place: "indoors",
    trials: raws.map((raw) => ({
      ...blankTrial(instrument),
      outcome: raw === null ? "failed" : "number",
      raw,
      seen: raw === null ? seen : [],
    })),
  };
}

/** What staff built of the spinner before anybody else did: it stands on the sheet, to be beaten. */
export const ownSpinner: DemoTrial = {
  buildMinutes: 12,
  rebuilds: 0,
  broke: [[0, 1, 0]],
  note: "",
  versions: [{ ...build("hand stopwatch", ["1.52", "1.61", "1.58"]), changed: "long wings, one clip" }],
};

/** What staff built before anybody else did, by starter. */
export const houseTrialsOf: Readonly<Record<string, readonly DemoTrial[]>> = {
  "clip-flinger": [
    {
      buildMinutes: 26,
      rebuilds: 1,
      broke: [
        [0, 6, 1],
        [2, 2, 1],
      ],
      note: "The stop came loose: tape it on both sides.",
      versions: [build("tape", ["2.31 m", "2.46 m", null, "2.28 m"], ["falls-off"])],
    },
    {
      buildMinutes: 22,
      rebuilds: 0,
      broke: [
        [0, 6, 0],
        [2, 1, 0],
      ],
      note: "",
      versions: [build("tape", ["2.62 m", "2.55 m", "2.71 m"])],
    },
  ],
  "gust-cart": [
    {
      buildMinutes: 31,
      rebuilds: 2,
      broke: [
        [2, 4, 1],
        [4, 2, 0],
      ],
      note: "Axles bind when the straws are taped too tight.",
      versions: [build("hand stopwatch", ["2.4", "2.22", "2.51"])],
    },
  ],
};
