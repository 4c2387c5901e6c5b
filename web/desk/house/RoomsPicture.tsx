import type { RoomDoc } from "@lampcrate/contract";
import { showQuantity, type UnitChoice } from "@lampcrate/core";
import "./roomsPicture.css";

interface Measured extends RoomDoc {
  readonly lengthM: number;
  readonly widthM: number;
}

const wide = 1000;
const gap = 34;
const foot = 44;
const most = 210;

/** The measured rooms beside each other on one scale: a square is a metre (or three feet), a dot a seat, waves are water. */
export function RoomsPicture({ rooms, units }: { readonly rooms: readonly RoomDoc[]; readonly units: UnitChoice }) {
  const measured = rooms.filter((room): room is Measured => room.lengthM !== null && room.widthM !== null);
  if (measured.length === 0) return null;
  const length = measured.reduce((sum, room) => sum + room.lengthM, 0);
  const deep = Math.max(...measured.map((room) => room.widthM));
  const scale = Math.min((wide - gap * (measured.length + 1)) / length, most / deep, 60);
  const tall = deep * scale + foot + 12;
  let x = gap;
  return (
    <figure className="rooms-picture">
      <svg viewBox={`0 0 ${wide} ${tall}`} role="img" aria-label={measured.map((room) => wordsOf(room, units)).join("; ")}>
        {measured.map((room) => {
          const left = x;
          x += room.lengthM * scale + gap;
          return <Plan key={room.id} room={room} left={left} floor={deep * scale + 6} scale={scale} units={units} />;
        })}
      </svg>
      <figcaption className="small soft">
        To one scale: a square is {units === "metric" ? "1 m" : "3 ft"}, a dot a seat, waves are water.
      </figcaption>
    </figure>
  );
}

const wordsOf = ({ name, lengthM, widthM, seats, water }: Measured, units: UnitChoice): string =>
  `${name}, ${showQuantity(lengthM, "length", units)} by ${showQuantity(widthM, "length", units)}, ${seats} seats${water ? ", water" : ""}`;

interface PlanProps {
  readonly room: Measured;
  readonly left: number;
  /** Where its lower wall stands. */
  readonly floor: number;
  /** Picture units for a metre. */
  readonly scale: number;
  readonly units: UnitChoice;
}

function Plan({ room, left, floor, scale, units }: PlanProps) {
  const [w, h] = [room.lengthM * scale, room.widthM * scale];
  const top = floor - h;
  const square = (units === "metric" ? 1 : 0.9144) * scale;
  let grid = "";
  for (let at = square; at < w; at += square) grid += `M${(left + at).toFixed(1)} ${top.toFixed(1)}v${h.toFixed(1)}`;
  for (let at = square; at < h; at += square) grid += `M${left.toFixed(1)} ${(floor - at).toFixed(1)}h${w.toFixed(1)}`;
  const wave = Array.from({ length: Math.max(1, Math.floor((w * 0.4) / 14)) }, () => "q3.5-5 7 0t7 0").join("");
  return (
    <g>
      <rect x={left} y={top} width={w} height={h} className={`floor ${room.floor}`} />
      <path d={grid} className="grid" />
      {seatsOf(room.seats, w, h).map(([sx, sy]) => (
        <circle key={`${sx} ${sy}`} cx={left + sx} cy={top + sy} r="1.9" className="seat" />
      ))}
      {room.water ? <path d={`M${left + 6} ${top + 9}${wave}`} className="water" /> : null}
      <rect x={left} y={top} width={w} height={h} className="wall" />
      <text x={left} y={floor + 19} className="name">
        {room.name}
      </text>
      <text x={left} y={floor + 36}>
        {[room.lengthM, room.widthM, room.heightM].flatMap((m) => (m === null ? [] : [showQuantity(m, "length", units)])).join(" × ")}
      </text>
    </g>
  );
}

/** Dots in even rows, as many as there are seats while they can be told apart. */
function seatsOf(seats: number, w: number, h: number): readonly (readonly [number, number])[] {
  const shown = Math.min(seats, Math.floor(((w - 12) / 7) * ((h - 24) / 7)));
  if (shown <= 0) return [];
  const columns = Math.max(1, Math.round(Math.sqrt((shown * (w - 12)) / Math.max(1, h - 24))));
  const rows = Math.ceil(shown / columns);
  return Array.from({ length: shown }, (_, i) => [
    6 + ((i % columns) + 0.5) * ((w - 12) / columns),
    18 + (Math.floor(i / columns) + 0.5) * ((h - 24) / rows),
  ]);
}
