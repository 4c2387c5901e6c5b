import { advise } from "../src/floor/advise.ts";
import type { DropIn } from "../src/floor/dropIn.ts";
import { rehearse } from "../src/floor/rehearse.ts";
import type { Spreading, Waits } from "../src/floor/report.ts";
import { seedOf } from "../src/random/stream.ts";

// biome-ignore lint/suspicious/noExplicitAny: a reference file's input is whatever the file says
type Input = any;

const plain = (spread: Spreading) => ({
  mean: spread.mean.value,
  p50: spread.p50.value,
  p90: spread.p90.value,
  p99: spread.p99.value,
});
const waits = ({ count, spread }: Waits) => (spread ? plain(spread) : { count });

/** A reference's day: `evenBins` stands for so many equal weights. */
export const dayOf = ({ evenBins, ...day }: Input): DropIn =>
  evenBins === undefined ? day : { ...day, weights: Array.from({ length: evenBins }, () => 1) };

/** Quantities of the floor, by name; how many days are simulated is the case's own. */
export const floor = {
  advice: ({ day, ...asked }: Input) => advise({ ...asked, day: dayOf(day) }, seedOf("reference")).room,
  "drop-in day": (input: Input, days: number) => {
    const { counts, turnedAwayShare, unfinishedShare, waits: waited, busy } = rehearse(dayOf(input), days, seedOf("reference"));
    return {
      ...Object.fromEntries(Object.entries(counts).map(([name, spread]) => [name, plain(spread)])),
      turnedAwayShare: turnedAwayShare.value,
      unfinishedShare: unfinishedShare.value,
      seatWaitMin: waits(waited.seat),
      hostWaitMin: waits(waited.host),
      rigWaitMin: waits(waited.rig),
      inBuildingMin: waits(waited.inBuilding),
      ...Object.fromEntries(
        Object.entries(busy).flatMap(([name, { day, byQuarter }]) => [
          [`${name}Busy`, { mean: day.value }],
          [`${name}BusyByQuarter`, byQuarter.map(({ value }) => value)],
        ]),
      ),
    };
  },
};
