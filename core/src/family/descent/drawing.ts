import type { Band } from "../band.ts";
import { floorMark, lengthGrip, lineMark } from "../scene.ts";
import type { Mark, Scene } from "../shape.ts";
import { type Faller, fallenAfter, fallTime, impactSpeed } from "./fall.ts";

export interface DescentPicture {
  readonly heightM: number;
  readonly acrossM: number;
  readonly kind: string;
  readonly build: Faller;
  readonly control: Faller;
  readonly time: Band;
}

/** The build at the drop height with the bare cargo beside it; let go, both fall in their computed time. */
export function descentScene({ heightM: h, acrossM, kind, build, control, time }: DescentPicture): Scene {
  const half = kind === "spinner" ? acrossM : acrossM / 2;
  const drawn = Math.max(half, h * 0.05);
  const width = h * 1.55 + drawn * 2;
  const x = width * 0.45;
  const bareX = width * 0.27;
  const cargo = Math.max(h * 0.035, 0.01);
  const hang = kind === "spinner" || kind === "plate" ? h * 0.05 : drawn * 1.3;
  const falling = (timeS: number): readonly Mark[] => [
    ...canopyMarks(kind, x, Math.max(0, h - fallenAfter(build, timeS)), drawn, cargo, hang),
    { kind: "block", role: "support", x: bareX - cargo / 2, y: Math.max(0, h - fallenAfter(control, timeS)), w: cargo, h: cargo },
  ];
  const still = falling(0);
  return {
    width,
    height: h + cargo + hang + drawn * 0.7 + h * 0.06,
    describe: "The build held with its lowest point at the drop height above the floor, the bare cargo beside it.",
    marks: [
      ...still,
      floorMark(width, 0.012 * h),
      { kind: "arrow", role: "path", from: [x, h * 0.94], to: [x, h * 0.06] },
      { kind: "arrow", role: "path", from: [bareX, h * 0.94], to: [bareX, h * 0.06] },
      { kind: "measure", from: [width * 0.02, 0], to: [width * 0.02, h], valueSi: h },
      { kind: "note", x: bareX, y: h * 1.06, words: "bare cargo", anchor: "middle" },
      {
        kind: "note",
        x: x + drawn + h * 0.05,
        y: h * 0.55,
        tone: "predicted",
        words: "should take {} to {}",
        fill: [
          [time.low, "time"],
          [time.high, "time"],
        ],
      },
      { kind: "note", x: x + drawn + h * 0.05, y: h * 0.43, words: "lands at about {}", fill: [[impactSpeed(build, h), "speed"]] },
    ],
    grips: [
      lengthGrip("spec", "heightM", [width * 0.02, h], [0, 1]),
      { of: "design", field: "sizeM", at: [x + drawn, h + cargo + hang], toward: [1, 0], perM: acrossM / half },
    ],
    motion: {
      durationS: Math.max(fallTime(build, h), fallTime(control, h)) + 0.2,
      told: {
        words: "The bare cargo is down after {}, this one after {}.",
        fill: [
          [fallTime(control, h), "time"],
          [fallTime(build, h), "time"],
        ],
      },
      replaces: still.map((_, i) => i),
      at: falling,
    },
  };
}

function canopyMarks(kind: string, x: number, foot: number, drawn: number, cargo: number, hang: number): readonly Mark[] {
  const top = foot + cargo + hang;
  const out = kind === "spinner" ? 0 : drawn;
  const canopy =
    kind === "spinner"
      ? lineMark("build", [
          [x - drawn, top + drawn * 0.25],
          [x, top],
          [x + drawn, top + drawn * 0.25],
        ])
      : kind === "plate"
        ? lineMark("build", [
            [x - drawn, top],
            [x + drawn, top],
          ])
        : lineMark(
            "build",
            Array.from({ length: 17 }, (_, i) => {
              const a = (Math.PI * i) / 16;
              return [x - drawn * Math.cos(a), top + drawn * 0.6 * Math.sin(a)] as const;
            }),
            true,
          );
  return [
    canopy,
    lineMark("path", [
      [x - out, top],
      [x, foot + cargo],
    ]),
    lineMark("path", [
      [x + out, top],
      [x, foot + cargo],
    ]),
    { kind: "block", role: "load", x: x - cargo / 2, y: foot, w: cargo, h: cargo },
  ];
}
