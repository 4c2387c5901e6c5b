import { type DropInReport, type FloorNow, type floorForecast, minutesWords, quantileOf, showNumber } from "@lampcrate/core";

/** One number of a day, as it was foreseen and as it came. */
export interface Compared {
  readonly what: string;
  readonly foreseen: string;
  readonly came: string;
  /** Outside of what 9 days in 10 would bring. */
  readonly isOdd: boolean;
}

interface Asked {
  readonly floor: FloorNow;
  readonly forecast: ReturnType<typeof floorForecast>;
  /** Simulated days; null where the day wasn't rehearsed. */
  readonly report: DropInReport | null;
  readonly testMin: number;
}

/** A floor day against its forecast: as it was rehearsed, or as the brief suggests where nobody rehearsed it. */
export function againstForecast({ floor, forecast, report, testMin }: Asked): readonly Compared[] {
  const upTo = (p50: number, p90: number): string => `${showNumber(p50, 0)}, 9 days in 10 at most ${showNumber(p90, 0)}`;
  const counts = report?.counts;
  const row = (
    what: string,
    came: number,
    name: "buildersArrived" | "partiesArrived" | "kitsUsed" | "rebuilds",
    plain: string,
  ): Compared => ({
    what,
    came: showNumber(came, 0),
    foreseen: counts ? upTo(counts[name].p50.value, counts[name].p90.value) : plain,
    isOdd: counts !== undefined && came > counts[name].p90.value,
  });
  const waits = floor.units.flatMap((unit) => unit.waits).sort((a, b) => a - b);
  const rebuilds = floor.units.reduce((sum, unit) => sum + unit.rebuilds, 0);
  const rig = report?.waits.rig.spread?.p90.value;
  const wait = waits.length === 0 ? null : quantileOf(waits, 0.9);
  const gone = floor.heads + floor.turnedAway === 0 ? 0 : floor.turnedAway / (floor.heads + floor.turnedAway);
  return [
    row("Builders who came in", floor.heads, "buildersArrived", "–"),
    row("Parties", floor.parties, "partiesArrived", "–"),
    row("Kits used", floor.kitsUsed, "kitsUsed", showNumber(forecast.kits, 0)),
    row("Rebuilds", rebuilds, "rebuilds", "–"),
    {
      what: "Gone again",
      came: `${showNumber(100 * gone, 0)} %`,
      foreseen: report ? `${showNumber(100 * report.turnedAwayShare.value, 0)} %` : "–",
      isOdd: report !== null && gone > Math.max(0.02, 2 * report.turnedAwayShare.value),
    },
    {
      what: "Wait at the rig, 9 in 10",
      came: wait === null ? "–" : minutesWords(wait),
      foreseen: rig === undefined ? "–" : minutesWords(rig),
      isOdd: rig !== undefined && wait !== null && wait > 1.5 * rig + 1,
    },
    { what: "A test", came: minutesWords(testMin), foreseen: minutesWords(forecast.testMin), isOdd: testMin > 1.5 * forecast.testMin },
  ];
}
