import type { FloorDoc } from "@lampcrate/contract";
import { checkResult, type DropIn, type DropInReport, type FloorNow, familyOfBrief, quantileOf, showQuantity } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { rehearseDoor } from "../../shared/compute/rehearseDoor.ts";
import { useLatest } from "../../shared/compute/useLatest.ts";
import { useSame } from "../../shared/useSame.ts";
import { clockOf } from "../calendar/clockOf.ts";
import { DataTable } from "../pieces/DataTable.tsx";
import { LinkButton } from "../pieces/LinkButton.tsx";
import { Opening } from "../pieces/Opening.tsx";
import { floorQuery } from "../queries.ts";
import { againstForecast } from "./againstForecast.ts";
import { useFloor } from "./useFloor.ts";
import "./floor.css";

/** Simulated days that a floor day is held against. */
const days = 400;

/** Closing a floor day: what it came to against what was foreseen, what was written down, what to count and to learn. */
export function CloseDay() {
  const { session = "" } = useParams();
  const doc = useQuery(floorQuery(session)).data;
  if (!doc) return <Opening what="the day" />;
  return doc.day ? <Foreseen doc={doc} day={doc.day} /> : <Day doc={doc} report={null} />;
}

/** With the day as it was rehearsed, reckoned beside. */
function Foreseen({ doc, day }: { readonly doc: FloorDoc; readonly day: DropIn }) {
  const input = useSame({ day, beside: null, days, seed: doc.run.id });
  const { output } = useLatest(rehearseDoor, input, "the day");
  return <Day doc={doc} report={output?.report ?? null} />;
}

function Day({ doc, report }: { readonly doc: FloorDoc; readonly report: DropInReport | null }) {
  const { floor, forecast, testMin, known } = useFloor(doc);
  const { run, session } = doc;
  const inside = floor.units.filter(({ stage }) => stage !== "home" && stage !== "tested").length;
  const rows = againstForecast({ floor, forecast, report, testMin });
  return (
    <main className="page stack close-day">
      <div className="row spread">
        <h1>Close the day: {run.title}</h1>
        <LinkButton to={`/floor/${session.id}`}>Back to the floor</LinkButton>
      </div>
      {known.unsent > 0 ? (
        <p role="status" className="floor-offline">
          {known.unsent === 1 ? "1 tap is" : `${known.unsent} taps are`} still on this tablet: keep it open until there is a line.
        </p>
      ) : null}
      {inside > 0 ? (
        <p className="plain-words">
          {inside === 1 ? "1 kit is" : `${inside} kits are`} still being built or in line. They count as not done.
        </p>
      ) : null}
      <section className="sheet pad stack" aria-label="Against the forecast">
        <h2>Against the forecast</h2>
        <DataTable
          label="The day against its forecast"
          rowKey="what"
          rows={rows}
          columns={[
            { title: "", dataIndex: "what", rowScope: "row" },
            { title: "Foreseen", dataIndex: "foreseen", className: "number" },
            {
              title: "Came",
              key: "came",
              className: "number",
              render: (_, { came, isOdd }) => (isOdd ? <strong>{came}, more</strong> : came),
            },
          ]}
        />
        <p className="soft small">
          {doc.day
            ? `Foreseen as the day was rehearsed, from ${days} simulated days.`
            : "Nobody rehearsed this day: foreseen is what the brief suggests."}
        </p>
        <p>{resultsSaid(doc, floor)}</p>
      </section>
      <Written floor={floor} zone={session.zone} />
      <section className="sheet pad stack" aria-label="What is next">
        <h2>What is next</h2>
        <div className="row">
          <LinkButton type="primary" to={`/run/${run.id}/crate`}>
            Count what is left
          </LinkButton>
          {run.kind === "drop-in" ? <LinkButton to={`/run/${run.id}/rehearse`}>Rehearse the next day as this one went</LinkButton> : null}
        </div>
        <p className="soft small">
          Builders and rebuilds are filled in from the floor. The next crate and the next rehearsal learn from what is counted.
        </p>
      </section>
    </main>
  );
}

function Written({ floor, zone }: { readonly floor: FloorNow; readonly zone: string }) {
  return (
    <section className="sheet pad" aria-label="Written down">
      <h2>Written down</h2>
      {floor.notes.length === 0 ? <p className="soft">No near miss, nothing ran short, no note.</p> : null}
      <ul>
        {floor.notes.map((note) => (
          <li key={note.tap}>
            {clockOf(note.at, zone)} <strong>{note.kind}</strong>: {note.words}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** How many tested, and what came out, in a sentence. */
function resultsSaid({ brief, run, testRoom }: FloorDoc, floor: FloorNow): string {
  const family = familyOfBrief(brief);
  const goal = family.goal(brief.spec);
  const [measure] = family.measures(brief.spec);
  let impossible = 0;
  const best = floor.units.flatMap(({ results }) => {
    const stand = results.filter((result) => checkResult(family, brief, result, testRoom).flag !== "impossible");
    impossible += results.length - stand.length;
    const values = stand.flatMap(({ value, outcome }) => (value !== null && outcome !== "failed" && outcome !== "rung" ? [value] : []));
    return values.length === 0 ? [] : [goal.better === "more" ? Math.max(...values) : Math.min(...values)];
  });
  const tested = floor.units.filter(({ results }) => results.length > 0).length;
  if (tested === 0) return "No result was tapped in.";
  const passed = floor.units.filter(({ results }) => results.some(({ outcome }) => outcome === "passed")).length;
  if (measure?.passes) return `${tested} tested; ${passed} passed.`;
  if (best.length === 0) return `${tested} tested.`;
  const middle = quantileOf(
    best.sort((a, b) => a - b),
    0.5,
  );
  const leftOut =
    impossible === 0 ? "" : ` ${impossible} ${impossible === 1 ? "result that can't be is" : "results that can't be are"} left out.`;
  const met = best.filter((value) => (goal.better === "more" ? value >= goal.value : value <= goal.value)).length;
  return `${tested} tested: half of them ${showQuantity(middle, measure?.dimension ?? "count", run.units)} or ${goal.better === "more" ? "more" : "less"} at best, and ${met} met the goal.${leftOut}`;
}
