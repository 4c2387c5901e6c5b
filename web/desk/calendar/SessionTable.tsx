import type { ClosureDoc, HouseDoc, RoomDoc } from "@lampcrate/contract";
import { apartWords, roomLacks, type UnitChoice } from "@lampcrate/core";
import { Button } from "../pieces/Button.tsx";
import { DataTable } from "../pieces/DataTable.tsx";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { useBriefWork } from "../work/RunContext.ts";
import { clockOf } from "./clockOf.ts";

type Asks = Parameters<typeof roomLacks>[1];

interface SessionTableProps {
  /** What the brief asks of a room. */
  readonly asks: Asks;
  readonly house: HouseDoc;
  readonly onChange: (id: string) => void;
  readonly onRemove: (id: string) => void;
}

/** The run's sessions, each with what stands against its room or its day. */
export function SessionTable({ asks, house, onChange, onRemove }: SessionTableProps) {
  const { run } = useBriefWork();
  const { now, day } = useHouseDay();
  const { rooms, closures, zone } = house;
  return (
    <DataTable
      label="Sessions of this run"
      rowKey="id"
      rows={run.sessions}
      columns={[
        {
          title: "Day",
          key: "day",
          render: (_, held) => (
            <>
              {day(held.start.slice(0, 10))}
              {apartWords(held.kind) ? <div className="small">{apartWords(held.kind)}</div> : null}
              {held.title ? <div className="soft small">{held.title}</div> : null}
            </>
          ),
        },
        { title: "From, to", key: "time", render: (_, held) => `${held.start.slice(11)} to ${clockOf(held.endAt, zone)}` },
        {
          title: "Room",
          key: "room",
          render: (_, held) => (
            <RoomOf
              room={rooms.find((r) => r.id === held.roomId)}
              closed={closures.find((c) => c.from <= held.start.slice(0, 10) && held.start.slice(0, 10) <= c.to)}
              needs={held.endAt > now && held.kind === "as the run" ? asks : null}
              units={run.units}
            />
          ),
        },
        { title: "Set-up, tear-down", key: "around", render: (_, held) => `${held.setUpMin} + ${held.tearDownMin} min` },
        {
          title: <span className="unseen">Change</span>,
          key: "change",
          className: "nowrap",
          render: (_, held) => (
            <>
              <Button type="text" size="small" onClick={() => onChange(held.id)}>
                change
              </Button>
              <Button type="text" size="small" aria-label={`Remove ${day(held.start.slice(0, 10))}`} onClick={() => onRemove(held.id)}>
                remove
              </Button>
            </>
          ),
        },
      ]}
    />
  );
}

interface RoomOfProps {
  readonly room: RoomDoc | undefined;
  readonly closed: ClosureDoc | undefined;
  /** What the brief asks of a room; null for a session that is over. */
  readonly needs: Parameters<typeof roomLacks>[1] | null;
  readonly units: UnitChoice;
}

/** The room of a session, and what stands against it. */
function RoomOf({ room, closed, needs, units }: RoomOfProps) {
  const lacks = room && needs ? roomLacks(room, needs, units) : [];
  return (
    <>
      {room?.name}
      {lacks.map((clash) => (
        <div key={clash.words} className="small flagged">
          {clash.words} {clash.solve}
        </div>
      ))}
      {closed ? (
        <div className="small flagged impossible">The house is closed: {closed.why}. Take another day, or change the closure.</div>
      ) : null}
    </>
  );
}
