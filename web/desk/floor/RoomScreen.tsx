import type { FloorDoc } from "@lampcrate/contract";
import { familyOfBrief, showQuantity } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { RigDrawing } from "../../shared/pieces/RigDrawing.tsx";
import { clockOf } from "../calendar/clockOf.ts";
import { Opening } from "../pieces/Opening.tsx";
import { floorQuery } from "../queries.ts";
import { moreWait, Part } from "./FloorTop.tsx";
import { useFloor } from "./useFloor.ts";
import "./floor.css";

/** A screen for everybody in the room: the clock, the goal, who is at a rig and who is next. Nothing of any child. */
export function RoomScreen() {
  const { session = "" } = useParams();
  const doc = useQuery(floorQuery(session)).data;
  return doc ? <Shown doc={doc} /> : <Opening what="the room's screen" />;
}

function Shown({ doc }: { readonly doc: FloorDoc }) {
  const held = useFloor(doc);
  const { floor, waits, now } = held;
  const { session, run, brief } = doc;
  const family = familyOfBrief(brief);
  const goal = family.goal(brief.spec);
  const measure = family.measures(brief.spec).find(({ id }) => id === goal.measure);
  const testing = floor.units.filter(({ stage }) => stage === "tests").sort((a, b) => (a.rig ?? 0) - (b.rig ?? 0));
  return (
    <main className="room-screen">
      <header className="row spread">
        <time className="room-clock">{clockOf(now, session.zone)}</time>
        <h1>{run.title}</h1>
        <Part held={held} />
      </header>
      <div className="room-parts">
        <figure>
          <RigDrawing scene={family.drawing(brief.spec, brief.design)} units={run.units} tall={420} small />
          <figcaption>
            Goal:{" "}
            {measure && !measure.passes && !measure.rungs
              ? `${showQuantity(goal.value, measure.dimension, run.units)}${goal.better === "more" ? " or more" : " or less"}`
              : (measure?.words ?? "")}
          </figcaption>
        </figure>
        <section aria-label="Who is next">
          {testing.map((unit) => (
            <p key={unit.id} className="room-now">
              rig {(unit.rig ?? 0) + 1}: <strong>{unit.label}</strong>
            </p>
          ))}
          <h2>{floor.line.length === 0 ? "Nobody waits: come and test" : "Next"}</h2>
          <ol>
            {floor.line.slice(0, 8).map((unit, i) => (
              <li key={unit.id}>
                <strong>{unit.label}</strong> {moreWait(waits[i], "come now", "in about ")}
              </li>
            ))}
          </ol>
        </section>
      </div>
    </main>
  );
}
