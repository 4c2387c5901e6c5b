import { type KeyboardEvent, type PointerEvent, useId, useRef } from "react";
import { useLocked } from "../../shared/pieces/locked.ts";
import { RulerBox } from "../../shared/pieces/RulerBox.tsx";
import { Face, Numbers, xOf } from "../../shared/pieces/RulerFace.tsx";
import type { Scale } from "../../shared/pieces/scale.ts";
import { keyedTo, onStep } from "../../shared/pieces/steps.ts";

/** Which design a mark stands for. */
export type Design = "plain" | "rival";

export const designNames: Readonly<Record<Design, string>> = { plain: "plain build", rival: "held beside it" };

interface TwinRulerProps {
  readonly label: string;
  readonly scale: Scale;
  readonly min: number;
  readonly max: number;
  /** Greatest value that may be typed, where the ruler shows only part of the range. */
  readonly limit: number;
  readonly step: number;
  readonly values: Readonly<Record<Design, number>>;
  readonly onChange: (of: Design, value: number, settled: boolean) => void;
}

const designs: readonly Design[] = ["plain", "rival"];

/** One number of two designs on one ruler: the plain build's amber mark below, the rival's hollow one above, what lies between them washed. */
export function TwinRuler({ label, scale, min, max, limit, step, values, onChange }: TwinRulerProps) {
  const locked = useLocked();
  const id = useId();
  const held = useRef<{ readonly of: Design; readonly box: DOMRect } | null>(null);
  const steps = { min, max, step };
  const at = ({ clientX }: PointerEvent): number => {
    const box = held.current?.box;
    return box ? onStep(min + Math.min(1, Math.max(0, (clientX - box.left) / box.width)) * (max - min), steps) : min;
  };
  const press = (of: Design) => (event: KeyboardEvent) => {
    const to = keyedTo(event.key, values[of], steps);
    if (to === null || locked) return;
    event.preventDefault();
    onChange(of, to, true);
  };
  const take = (event: PointerEvent<SVGSVGElement>): void => {
    if (locked) return;
    const box = event.currentTarget.getBoundingClientRect();
    // Above the ruler's edge is the rival's; elsewhere whichever mark is nearer.
    const spot = min + ((event.clientX - box.left) / box.width) * (max - min);
    const above = event.clientY - box.top < box.height * 0.36;
    const nearer = Math.abs(spot - values.rival) < Math.abs(spot - values.plain);
    const of: Design = values.plain === values.rival ? (above ? "rival" : "plain") : nearer ? "rival" : "plain";
    held.current = { of, box };
    event.currentTarget.setPointerCapture(event.pointerId);
    event.currentTarget.querySelector<SVGElement>(`[data-design="${of}"]`)?.focus();
    onChange(of, at(event), false);
  };
  const [low, high] = [Math.min(values.plain, values.rival), Math.max(values.plain, values.rival)];
  return (
    <div className="ruler twin" role="group" aria-label={label}>
      <div className="ruler-head">
        <span className="ruler-name">{label}</span>
        <span className="twin-boxes">
          {designs.map((of) => (
            <span key={of} className={`twin-box of-${of}`}>
              <RulerBox
                id={`${id}-${of}`}
                name={`${label}, ${designNames[of]}`}
                scale={scale}
                min={min}
                max={limit}
                value={values[of]}
                disabled={locked}
                onChange={(value) => onChange(of, value, true)}
              />
            </span>
          ))}
        </span>
      </div>
      <svg
        viewBox="0 0 400 36"
        preserveAspectRatio="none"
        onPointerDown={take}
        onPointerMove={(event) => held.current && onChange(held.current.of, at(event), false)}
        onPointerUp={(event) => {
          if (held.current) onChange(held.current.of, at(event), true);
          held.current = null;
        }}
      >
        <title>{label}</title>
        <g transform="translate(0 10)">
          <Face label={label} scale={scale} min={min} max={max} band={low < high ? [low, high] : undefined} />
        </g>
        {designs.map((of) => (
          <g
            key={of}
            data-design={of}
            className={`twin-mark of-${of}`}
            role="slider"
            tabIndex={locked ? -1 : 0}
            aria-label={`${label}, ${designNames[of]}`}
            aria-disabled={locked}
            aria-valuemin={min / scale.factor}
            aria-valuemax={max / scale.factor}
            aria-valuenow={Number((values[of] / scale.factor).toPrecision(6))}
            aria-valuetext={scale.show(values[of])}
            onKeyDown={press(of)}
          >
            <rect
              x={xOf(values[of], min, max) - 3.5}
              y={of === "plain" ? 16 : 0}
              width="7"
              height={of === "plain" ? 19 : 17}
              vectorEffect="non-scaling-stroke"
            />
          </g>
        ))}
      </svg>
      <Numbers min={min} max={max} scale={scale} />
    </div>
  );
}
