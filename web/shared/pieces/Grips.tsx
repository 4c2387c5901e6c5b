import type { Grip } from "@lampcrate/core";
import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import { keyedTo, onStep, type Steps } from "./steps.ts";

/** A number field that is moved in the drawing, as its ruler has it. */
export interface GripField extends Steps {
  readonly label: string;
  readonly value: number;
  readonly shown: string;
}

export interface Gripping {
  /** The field behind a grip; null where it can't be moved here. */
  readonly fieldOf: (grip: Grip) => GripField | null;
  readonly onGrip: (grip: Grip, value: number, settled: boolean) => void;
}

interface GripsProps extends Gripping {
  readonly grips: readonly Grip[];
  readonly x: (m: number) => number;
  readonly y: (m: number) => number;
  /** Picture units for a metre. */
  readonly scale: number;
  /** A drag has begun, or is over: the picture keeps its scale meanwhile. */
  readonly onHold: (held: boolean) => void;
}

interface Held {
  readonly startX: number;
  readonly startY: number;
  readonly value: number;
  /** px for a metre. */
  readonly perM: number;
}

/** Handles on a rig: taken by the pointer or moved with the keys, and the ruler of the field follows. */
export function Grips({ grips, fieldOf, ...rest }: GripsProps) {
  return (
    <>
      {grips.map((grip) => {
        const field = fieldOf(grip);
        return field ? <Handle key={`${grip.of} ${grip.field}`} grip={grip} field={field} {...rest} /> : null;
      })}
    </>
  );
}

type HandleProps = Omit<GripsProps, "grips" | "fieldOf"> & { readonly grip: Grip; readonly field: GripField };

function Handle({ grip, field, x, y, scale, onGrip, onHold }: HandleProps) {
  const held = useRef<Held | null>(null);
  const { min, max, value, label, shown } = field;
  const [dx, dy] = grip.toward;
  const valueAt = ({ clientX, clientY }: PointerEvent): number => {
    const from = held.current;
    if (!from) return value;
    const along = ((clientX - from.startX) * dx - (clientY - from.startY) * dy) / from.perM;
    return onStep(from.value + along * grip.perM, field);
  };
  const take = (event: PointerEvent<SVGGElement>): void => {
    const picture = event.currentTarget.ownerSVGElement;
    const matrix = picture?.getScreenCTM();
    held.current = { startX: event.clientX, startY: event.clientY, value, perM: scale * (matrix?.a ?? 1) };
    event.currentTarget.setPointerCapture(event.pointerId);
    event.currentTarget.focus();
    onHold(true);
  };
  const letGo = (event: PointerEvent<SVGGElement>): void => {
    if (!held.current) return;
    const to = valueAt(event);
    held.current = null;
    onHold(false);
    if (to !== value || event.type === "pointerup") onGrip(grip, to, true);
  };
  const press = (event: KeyboardEvent): void => {
    const to = keyedTo(event.key, value, field);
    if (to === null) return;
    event.preventDefault();
    onGrip(grip, to, true);
  };
  return (
    <g
      className={`grip ${Math.abs(dx) > Math.abs(dy) ? "sideways" : "upright"}`}
      role="slider"
      tabIndex={0}
      aria-label={`${label}, in the drawing`}
      aria-valuemin={min}
      aria-valuemax={max}
      aria-valuenow={value}
      aria-valuetext={shown}
      transform={`translate(${x(grip.at[0])} ${y(grip.at[1])}) rotate(${(Math.atan2(-dy, dx) * 180) / Math.PI})`}
      onPointerDown={take}
      onPointerMove={(event) => held.current && onGrip(grip, valueAt(event), false)}
      onPointerUp={letGo}
      onPointerCancel={letGo}
      onKeyDown={press}
    >
      <title>{`${label}: ${shown}`}</title>
      <circle r="18" className="reach" />
      <circle r="8" />
      <path d="M-16 0l4-4.5M-16 0l4 4.5M16 0l-4-4.5M16 0l-4 4.5" />
    </g>
  );
}
