import { seedOf, type Tap, type TapBody, uniformAt } from "@lampcrate/core";

const minute = 60_000;
const rigs = 2;
/** Parties by quarter hour of a Saturday that came later than it was thought: 37 of them. */
const came = [0, 1, 1, 2, 2, 3, 4, 5, 5, 4, 3, 3, 2, 2, 0, 0];

interface Going {
  readonly id: string;
  readonly heads: number;
  readonly ready: number;
  readonly again: boolean;
}

/**
 * A Saturday on the boardwalk's floor as two tablets tapped it: parties in, each as a team to the line when it is ready,
 * to the first free rig, its result, some of them again, home. The same at every load.
 */
export function floorTaps(opensAt: number): readonly Tap[] {
  const taps: Tap[] = [];
  const draw = (n: number, place: number): number => uniformAt(seedOf("demo floor"), n, place);
  const add = (min: number, by: string, body: TapBody): string => {
    const id = `demo-tap-${String(taps.length + 1).padStart(4, "0")}`;
    taps.push({ id, at: Math.round(opensAt + min * minute), by, body });
    return id;
  };
  const numbered: Record<string, number> = { A: 0, B: 0 };
  const parties = came.flatMap((count, quarter) => Array.from({ length: count }, () => quarter));
  const going = parties.map((quarter, i): Going => {
    const by = i % 3 === 2 ? "B" : "A";
    numbered[by] = (numbered[by] ?? 0) + 1;
    const at = 15 * quarter + 15 * draw(i, 0);
    const heads = [1, 2, 2, 2, 3, 3, 4, 2][Math.floor(8 * draw(i, 1))] ?? 2;
    return {
      id: add(at, by, { kind: "in", heads, number: numbered[by] ?? 1 }),
      heads,
      ready: at + 16 + 20 * draw(i, 2),
      again: draw(i, 3) < 0.3,
    };
  });
  const free = Array.from({ length: rigs }, () => 0);
  const line = [...going].sort((a, b) => a.ready - b.ready);
  for (let i = 0; i < line.length; i += 1) {
    const unit = line[i];
    if (!unit || unit.ready > 236) continue;
    const rig = free.indexOf(Math.min(...free));
    const from = Math.max(unit.ready + 0.3, free[rig] ?? 0);
    const grams = 50 * Math.round(3 + 18 * draw(i, 4));
    add(unit.ready, "B", { kind: "line", unit: unit.id });
    add(from, "B", { kind: "rig", unit: unit.id, rig });
    const done = from + 4 + 5 * draw(i, 5);
    free[rig] = done;
    add(
      done,
      "B",
      draw(i, 6) < 0.08
        ? { kind: "result", unit: unit.id, raw: "", value: null, outcome: "failed" }
        : { kind: "result", unit: unit.id, raw: `${grams} g`, value: grams / 1000, outcome: "number" },
    );
    if (unit.again && done < 200) {
      add(done + 0.5, "B", { kind: "again", unit: unit.id });
      line.push({ ...unit, ready: done + 9 + 8 * draw(i, 7), again: false });
      line.splice(i + 1, line.length, ...line.slice(i + 1).sort((a, b) => a.ready - b.ready));
    } else add(done + 1, "B", { kind: "home", unit: unit.id });
  }
  for (const min of [118, 131, 140]) add(min, "A", { kind: "turned away", heads: 2 });
  add(96, "A", { kind: "near miss", words: "a load bag slid off a deck, past a foot" });
  add(150, "A", { kind: "ran short", words: "Thin card, large sheet" });
  add(205, "A", { kind: "note", words: "put the second rig nearer to the door" });
  return taps;
}
