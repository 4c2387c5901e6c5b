/** What a device of the bench says in one line. SI. */
export type BenchLine =
  | { readonly says: "hello"; readonly device: BenchDevice; readonly simulated: boolean }
  | { readonly says: "weight"; readonly kg: number; readonly steady: boolean }
  | { readonly says: "time"; readonly s: number };

/** Devices that stand at the bench. */
export const benchDevices = ["scale", "gate"] as const;
export type BenchDevice = (typeof benchDevices)[number];

/** How a device is reached: not at all, at a port of the server's machine, or by a cable of whoever looks. */
export const benchVias = ["none", "port", "cable"] as const;

export interface BenchSetting {
  readonly via: (typeof benchVias)[number];
  readonly port: number;
  /** Signs a second on the cable. */
  readonly baud: number;
}

export type Bench = Readonly<Record<BenchDevice, BenchSetting>>;

/** Nothing stands at the bench until a house says so; the ports are those of the stand-ins. */
export const usualBench: Bench = { scale: { via: "none", port: 8161, baud: 9600 }, gate: { via: "none", port: 8162, baud: 9600 } };

/** Words of a device, as an educator knows it. */
export const benchWords: Readonly<Record<BenchDevice, string>> = { scale: "Scale", gate: "Light gate" };

const kgOf: Readonly<Record<string, number>> = { g: 1e-3, kg: 1, oz: 0.028349523125, lb: 0.45359237 };
const sOf: Readonly<Record<string, number>> = { ms: 1e-3, s: 1 };
const number = String.raw`-?\d{1,7}(?:\.\d{1,6})?`;
const weight = new RegExp(`^weight (${number}) (g|kg|oz|lb) (steady|moving)$`);
const time = new RegExp(`^time (${number}) (ms|s)$`);
const hello = /^hello (scale|gate)( simulated)?$/;

/** Longer lines are none of ours. */
const longest = 120;

/**
 * Reads one line of the bench's protocol (docs/bench.md), such as "weight 412.6 g steady" or "time 1.234 s". A line that
 * isn't one of its is null: a device may say what it likes beside.
 */
export function readBenchLine(line: string): BenchLine | null {
  const words = line.trim();
  if (words.length > longest) return null;
  const [, kg, mass, state] = weight.exec(words) ?? [];
  if (kg !== undefined) return { says: "weight", kg: Number(kg) * (kgOf[mass ?? "g"] ?? 0), steady: state === "steady" };
  const [, s, unit] = time.exec(words) ?? [];
  if (s !== undefined) return Number(s) < 0 ? null : { says: "time", s: Number(s) * (sOf[unit ?? "s"] ?? 0) };
  const [, device, simulated] = hello.exec(words) ?? [];
  return device === undefined ? null : { says: "hello", device: device as BenchDevice, simulated: simulated !== undefined };
}

/** Puts lines together from what comes in pieces; what grows past a line without an end is dropped. */
export class LineJoiner {
  private rest = "";

  /** The lines that a piece completes. */
  push(piece: string): readonly string[] {
    const lines = (this.rest + piece).split("\n");
    this.rest = lines.pop() ?? "";
    if (this.rest.length > longest) this.rest = "";
    return lines.map((line) => line.replace(/\r$/, ""));
  }
}
