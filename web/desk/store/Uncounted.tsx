import { useQuery } from "@tanstack/react-query";
import { Fragment } from "react";
import { Link } from "react-router";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { uncountedQuery } from "../queries.ts";

/** Sessions that were held and not counted: what they took is missing from the shelves already, and is not booked again after a count day. */
export function Uncounted() {
  const { day } = useHouseDay();
  const sessions = useQuery(uncountedQuery).data ?? [];
  if (sessions.length === 0) return null;
  return (
    <p className="small">
      Held and not counted yet:{" "}
      {sessions.map(({ id, runId, runTitle, date }, i) => (
        <Fragment key={id}>
          {i > 0 ? ", " : ""}
          <Link to={`/run/${runId}/crate`}>
            {day(date)}, {runTitle}
          </Link>
        </Fragment>
      ))}
      . What you count today holds for what they took: counted later, they teach the crate, and no longer move what you counted.
    </p>
  );
}
