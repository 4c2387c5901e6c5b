import { memo } from "react";
import { NavLink, useLocation } from "react-router";
import { useMay } from "../pieces/Lock.tsx";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { useBriefWork } from "../work/RunContext.ts";
import { useSizedCrate } from "../work/SizedCrate.tsx";
import { type Standing, steps } from "./steps.ts";
import "./runStrip.css";

/** The way around a run and its to-do list at once. */
export const RunStrip = memo(function RunStrip() {
  const work = useBriefWork();
  const { pathname } = useLocation();
  const crate = useSizedCrate();
  const { day } = useHouseDay();
  const may = useMay();
  const mine = steps.filter((step) => may(step.opens));
  const states = mine.map((step) => step.state(work, crate, day));
  return (
    <nav aria-label="Steps of this run">
      <ol className="strip">
        {mine.map((step, i) => {
          const here = pathname.endsWith(step.path);
          const { words, standing } = states[i] ?? { words: "", standing: "later" as const };
          return (
            <li key={step.path}>
              <Bead standing={standing} here={here} last={i === mine.length - 1} />
              <NavLink to={`/run/${work.run.id}/${step.path}`} className={here ? "here" : ""}>
                <span className="name">{step.name}</span>
                <span className={standing === "short" ? "state short" : "state"}>{words}</span>
              </NavLink>
            </li>
          );
        })}
      </ol>
    </nav>
  );
});

/** One bead on the strip: a filled disc is settled, a diamond is short, a ring is to come. */
function Bead({ standing, here, last }: { readonly standing: Standing; readonly here: boolean; readonly last: boolean }) {
  const line =
    standing === "done"
      ? { stroke: "var(--settled)", strokeWidth: 3 }
      : standing === "short"
        ? { stroke: "var(--brick)", strokeWidth: 3 }
        : { stroke: "var(--soft)", strokeWidth: 2, strokeDasharray: "4 4" };
  return (
    <svg aria-hidden="true">
      {last ? null : <line x1="18" y1="9" x2="100%" y2="9" {...line} />}
      {here ? <circle cx="8" cy="9" r="8.5" fill="var(--lamp)" stroke="var(--ink)" strokeWidth="1.4" /> : null}
      {standing === "short" ? (
        <path d="M8 2l7 7-7 7-7-7z" fill="var(--brick)" />
      ) : (
        <circle
          cx="8"
          cy="9"
          r="5.5"
          fill={standing === "done" ? "var(--settled)" : "var(--sheet)"}
          stroke={standing === "done" ? "var(--settled)" : "var(--soft)"}
          strokeWidth="2"
        />
      )}
    </svg>
  );
}
