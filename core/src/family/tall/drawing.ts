import { floorMark, lengthGrip, lineMark } from "../scene.ts";
import type { Mark, Scene } from "../shape.ts";
import type { Budget } from "./tower.ts";

export interface TallPicture {
  readonly budget: Budget;
  readonly baseM: number;
  readonly goalM: number;
  readonly topKg: number;
  readonly tip: number;
}

/** The tower from the side, a layer a bay, with the goal's height beside it; pushed, it tips at its angle. */
export function tallScene({ budget, baseM, goalM, topKg, tip }: TallPicture): Scene {
  const bays = Math.max(budget.layers + budget.peak, 1);
  const built = Math.max(budget.predictedM, 0.05);
  const high = Math.max(built, goalM);
  const half = Math.max(baseM / 2, high * 0.03);
  const width = Math.max(half * 2, high * 0.7) * 2.3;
  const x = width * 0.5;
  const slim = half * 0.55;
  const sideAt = (u: number): number => half + (slim - half) * u;
  const step = built / bays;
  const marks: (readonly [number, number])[][] = [];
  for (let i = 0; i < budget.layers; i += 1) {
    const [low, up] = [i * step, (i + 1) * step];
    const [a, b] = [sideAt(low / built), sideAt(up / built)];
    marks.push(
      [
        [x - a, low],
        [x - b, up],
        [x + b, up],
        [x + a, low],
        [x - a, low],
      ],
      [
        [x - a, low],
        [x + b, up],
      ],
    );
  }
  if (budget.peak) {
    const low = budget.layers * step;
    const a = sideAt(low / built);
    marks.push([
      [x - a, low],
      [x, built],
      [x + a, low],
      [x - a, low],
    ]);
  }
  const box = high * 0.06;
  const turned = (angle: number): readonly Mark[] => {
    const foot = x + half;
    const turn = ([px, py]: readonly [number, number]): readonly [number, number] => {
      const [dx, dy] = [px - foot, py];
      return [foot + dx * Math.cos(angle) + dy * Math.sin(angle), Math.max(0, -dx * Math.sin(angle) + dy * Math.cos(angle))];
    };
    return marks.map((points) => lineMark("build", points.map(turn)));
  };
  const still = turned(0);
  const fallS = 0.9;
  return {
    width,
    height: high * 1.15 + (topKg > 0 ? box : 0),
    describe: "The tower from the side, layer on layer, with the goal's height marked beside it.",
    marks: [
      ...still,
      floorMark(width, high * 0.012),
      ...(topKg > 0 ? [{ kind: "block", role: "load", x: x - box / 2, y: built, w: box, h: box, massKg: topKg } as const] : []),
      { kind: "measure", from: [width * 0.02, 0], to: [width * 0.02, goalM], valueSi: goalM, words: "goal" },
      { kind: "measure", from: [width * 0.8, 0], to: [width * 0.8, built], valueSi: built, words: "likely" },
      { kind: "note", x: width * 0.97, y: high * 1.08, words: "tips at {}", fill: [[tip, "angle"]], tone: "predicted", anchor: "end" },
    ],
    grips: [
      lengthGrip("spec", "goalM", [width * 0.02, goalM], [0, 1]),
      { of: "design", field: "baseM", at: [x + half, 0], toward: [1, 0], perM: 2 },
    ],
    motion: {
      durationS: 1.5 + fallS,
      told: { words: "Pushed slowly, it comes back until it leans {}; beyond that it falls.", fill: [[tip, "angle"]] },
      replaces: still.map((_, i) => i),
      at: (t) => turned(t < 1.5 ? tip * Math.min(1, t / 1.5) : tip + (Math.PI / 2 - tip) * Math.min(1, (t - 1.5) / fallS) ** 2),
    },
  };
}
