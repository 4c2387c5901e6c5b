import { countsAt, type DropIn, quarterMin } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { Slider } from "antd";
import { useMemo } from "react";
import type { Replayed } from "../../../shared/compute/rehearse.worker.ts";
import { replayDoor } from "../../../shared/compute/rehearseDoor.ts";
import { useLatest } from "../../../shared/compute/useLatest.ts";
import { Button } from "../../pieces/Button.tsx";
import { Open } from "../../pieces/Lock.tsx";
import { houseQuery } from "../../queries.ts";
import { useBriefWork, useCrateWork } from "../../work/RunContext.ts";
import { FloorPlan } from "./FloorPlan.tsx";
import { layoutOf } from "./layout.ts";
import { usePlay } from "./usePlay.ts";
import "./replay.css";

interface TypicalDayProps {
  readonly day: DropIn;
  readonly clock: (minutes: number) => string;
}

/** Of so many days the most ordinary is played. */
const days = 200;
/** A room that nobody measured is drawn so large, m. */
const usual = { lengthM: 10, widthM: 8 };

/** The most ordinary of the rehearsed days, in the room to scale: who comes, sits, waits and tests, minute by minute. */
export function TypicalDay({ day, clock }: TypicalDayProps) {
  const { run } = useBriefWork();
  const found = useLatest(replayDoor, { day, days, seed: run.id }, "replay");
  return (
    <section className="sheet pad stack" aria-label="A typical day">
      <h2>A typical day, played</h2>
      {found.trouble ? (
        <p role="alert" className="trouble">
          It could not be played: {found.trouble} <Button onClick={found.again}>Try again</Button>
        </p>
      ) : null}
      {found.output ? <Played day={day} replay={found.output} clock={clock} /> : <p className="soft">looking for the most ordinary day</p>}
    </section>
  );
}

function Played({ day, replay, clock }: TypicalDayProps & { readonly replay: Replayed }) {
  const { run } = useBriefWork();
  const { session } = useCrateWork();
  const house = useQuery(houseQuery).data;
  const { minute, setMinute, playing, canPlay, play, pause } = usePlay(replay.stopMin);
  const room = house?.rooms.find(({ id }) => id === session?.roomId);
  const isMeasured = room?.lengthM != null && room.widthM != null;
  const { lengthM, widthM } = isMeasured ? { lengthM: room.lengthM ?? 0, widthM: room.widthM ?? 0 } : usual;
  const most = useMemo(() => mostAtOnce(replay), [replay]);
  const layout = useMemo(
    () => layoutOf(Math.max(lengthM, widthM), Math.min(lengthM, widthM), day.seats ?? most.seats, day.rigs ?? most.rigs),
    [lengthM, widthM, day.seats, day.rigs, most],
  );
  const words = wordsAt(replay, minute, day.unit);
  return (
    <>
      <FloorPlan layout={layout} replay={replay} minute={minute} units={run.units} label={`${clock(minute)}: ${words}`} />
      <p className="soft small">
        {isMeasured ? `${room.name}, to scale` : `Nobody measured the room: drawn as ${usual.lengthM} × ${usual.widthM} m`}; tables for
        four, a dot is {day.unit === "team" ? "a team" : "a builder"}.
        {layout.isTight ? " So many seats don't fit in it with room to walk: tables stand too near." : ""}
        <span className="dot-legend">
          <i className="dot waits" /> waits <i className="dot greeted" /> is welcomed <i className="dot builds" /> builds{" "}
          <i className="dot tests" /> tests <i className="dot late" /> not done at the stop
        </span>
      </p>
      <Open>
        <div className="row play-row">
          {canPlay ? <Button onClick={playing ? pause : play}>{playing ? "Pause" : "Play"}</Button> : null}
          <Slider
            className="grow"
            ariaLabelForHandle="Time of the day"
            ariaValueTextFormatterForHandle={(value) => clock(Number(value))}
            min={0}
            max={replay.stopMin}
            step={1}
            value={Math.round(minute)}
            marks={Object.fromEntries(hoursIn(replay.stopMin).map((at) => [at, clock(at)]))}
            tooltip={{ formatter: (value) => clock(value ?? 0) }}
            onChange={(value) => {
              pause();
              setMinute(value);
            }}
          />
        </div>
      </Open>
      <p>
        <strong className="play-clock">{clock(Math.floor(minute))}</strong> {words}.
      </p>
    </>
  );
}

function wordsAt(replay: Replayed, minute: number, unit: DropIn["unit"]): string {
  const at = countsAt(replay, minute);
  const one = (n: number): string => (unit === "team" ? (n === 1 ? "1 team" : `${n} teams`) : n === 1 ? "1 builder" : `${n} builders`);
  const parts = [
    at["seat line"] > 0 ? `${one(at["seat line"])} in line for a seat` : "",
    at.welcome > 0 ? `${at.welcome} being welcomed` : "",
    at.building > 0 ? `${at.building} building` : "",
    at["rig line"] > 0 ? `${at["rig line"]} waiting for a rig` : "",
    at.rig > 0 ? `${at.rig} testing` : "",
    at.unfinished > 0 ? `${at.unfinished} not done at the stop` : "",
    `${at.home} gone home`,
    at["turned away"] > 0 ? `${at["turned away"]} turned away` : "",
  ];
  return parts.filter(Boolean).join(", ");
}

/** The greatest seat and rig that anybody had, where they are endless. */
function mostAtOnce({ dots }: Replayed): { readonly seats: number; readonly rigs: number } {
  const spots = (places: readonly string[]): number =>
    1 +
    Math.max(
      -1,
      ...dots.flatMap(({ steps, seats }) => steps.filter(({ place }) => places.includes(place)).map(({ spot }) => spot + seats - 1)),
    );
  return { seats: spots(["welcome", "building"]), rigs: spots(["rig"]) };
}

const hoursIn = (stop: number): readonly number[] => {
  const step = stop > 4 * 60 ? 60 : 2 * quarterMin;
  return Array.from({ length: Math.floor(stop / step) + 1 }, (_, i) => i * step);
};
