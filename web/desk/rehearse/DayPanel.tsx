import { type DropIn, type DropInReport, dayWords, type Estimate, minutesWords, type Spreading, showNumber } from "@lampcrate/core";
import { DataTable } from "../pieces/DataTable.tsx";
import { NotReckoned } from "../pieces/NotReckoned.tsx";

interface DayPanelProps {
  readonly day: DropIn;
  readonly report: DropInReport | null;
  /** Of the day held beside. */
  readonly beside: DropInReport | null;
  readonly slow: boolean;
  readonly trouble: string | null;
  readonly onAgain: () => void;
}

/** What the day comes to: in words, then in numbers with their intervals, beside the day that is held. */
export function DayPanel({ day, report, beside, slow, trouble, onAgain }: DayPanelProps) {
  return (
    <aside className="sheet evidence" aria-label="What the day comes to" aria-busy={slow}>
      <div className="pad stack">
        <h2>What the day comes to</h2>
        {trouble === null ? null : <NotReckoned what="The rehearsal" why={trouble} onAgain={onAgain} />}
        {slow ? (
          <p className="soft small" role="status">
            Rehearsing …
          </p>
        ) : null}
        {report === null ? null : (
          <>
            <div className="plain-words">
              {dayWords(day, report).map((words, i) => (
                <p key={words}>{i === 0 ? <strong>{words}</strong> : words}</p>
              ))}
            </div>
            <Numbers report={report} beside={beside} />
            <p className="small soft">
              From {report.days} simulated days; in brackets where the truth lies, 19 times in 20.
              {beside ? " Both days meet the same arrivals, builds and tests." : ""}
            </p>
          </>
        )}
      </div>
    </aside>
  );
}

interface Line {
  readonly what: string;
  readonly of: (report: DropInReport) => string;
}

const whole = ({ value, low, high }: Estimate): string => `${showNumber(value, 1)} (${showNumber(low, 1)} to ${showNumber(high, 1)})`;
const perCent = ({ value, low, high }: Estimate): string =>
  `${showNumber(100 * value, 1)} % (${showNumber(Math.max(0, 100 * low), 1)} to ${showNumber(100 * high, 1)})`;
const minutes = (spread: Spreading | null, at: "p50" | "p90" | "p99"): string => (spread === null ? "–" : minutesWords(spread[at].value));

const lines: readonly Line[] = [
  { what: "Builders who come", of: ({ counts }) => whole(counts.buildersArrived.mean) },
  { what: "Turned away", of: ({ turnedAwayShare }) => perCent(turnedAwayShare) },
  { what: "… for want of kits", of: ({ counts }) => whole(counts.turnedAwayKits.mean) },
  { what: "Kits used", of: ({ counts }) => whole(counts.kitsUsed.mean) },
  { what: "… 9 days in 10 at most", of: ({ counts }) => showNumber(counts.kitsUsed.p90.value, 0) },
  { what: "Rebuilds", of: ({ counts }) => whole(counts.rebuilds.mean) },
  { what: "Not done at the stop", of: ({ unfinishedShare }) => perCent(unfinishedShare) },
  { what: "Wait for a seat, 9 in 10", of: ({ waits }) => minutes(waits.seat.spread, "p90") },
  { what: "Wait at the rig, 9 in 10", of: ({ waits }) => minutes(waits.rig.spread, "p90") },
  { what: "Wait for a host, 9 in 10", of: ({ waits }) => minutes(waits.host.spread, "p90") },
  { what: "In the building, half of them", of: ({ waits }) => minutes(waits.inBuilding.spread, "p50") },
  { what: "Most seats at once, 9 days in 10", of: ({ counts }) => showNumber(counts.peakSeats.p90.value, 0) },
  { what: "Longest line at the rig, 9 days in 10", of: ({ counts }) => showNumber(counts.peakRigLine.p90.value, 0) },
  { what: "Runs over, 1 day in 10", of: ({ counts }) => minutesWords(counts.overrunMin.p90.value) },
];

function Numbers({ report, beside }: { readonly report: DropInReport; readonly beside: DropInReport | null }) {
  return (
    <DataTable
      label="The day in numbers"
      rowKey="what"
      headless={beside === null}
      rows={lines.map(({ what, of }) => ({ what, now: of(report), held: beside ? of(beside) : "" }))}
      columns={[
        { title: "", dataIndex: "what", rowScope: "row" },
        { title: "This day", dataIndex: "now", className: "number" },
        ...(beside ? [{ title: "Held beside", dataIndex: "held", className: "number" } as const] : []),
      ]}
    />
  );
}
