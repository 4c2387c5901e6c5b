import type { BriefDoc } from "@lampcrate/contract";
import type { Check, CheckAt } from "@lampcrate/core";
import { Link } from "react-router";
import { Button } from "../pieces/Button.tsx";
import { useBriefWork, useRunActions } from "../work/RunContext.ts";
import "./checks.css";

interface ChecksHereProps {
  readonly checks: readonly Check[];
  /** The step that is being looked at: no way leads there. */
  readonly here?: CheckAt;
}

/** What doesn't fit in the brief yet, each with the press that mends it; what would contradict itself on the sheet first. */
export function ChecksHere({ checks, here }: ChecksHereProps) {
  if (checks.length === 0) return null;
  const stopping = checks.filter(({ stops }) => stops).length;
  return (
    <section className="checks" aria-label="What doesn't fit yet">
      <h2>
        {stopping === 0
          ? "Worth a look"
          : `${stopping === 1 ? "One thing contradicts" : `${stopping} things contradict`} the brief: mend ${stopping === 1 ? "it" : "them"} before it is published`}
      </h2>
      <ul>
        {checks.map((check) => (
          <OneCheck key={check.id} check={check} isHere={check.at === here} />
        ))}
      </ul>
    </section>
  );
}

function OneCheck({ check, isHere }: { readonly check: Check; readonly isHere: boolean }) {
  const { run } = useBriefWork();
  const { change } = useRunActions();
  const { path, words } = wayTo(check.at);
  return (
    <li className={check.stops ? "stops" : ""}>
      <span>{check.words}</span>{" "}
      {check.mends.map((mend) => (
        // What mends a brief is made of that brief's own parts.
        <Button key={mend.words} size="small" onClick={() => change(mend.patch as Partial<BriefDoc>, mend.words)}>
          {mend.words}
        </Button>
      ))}
      {isHere ? null : (
        <Link className="small" to={`/run/${run.id}/${path}`}>
          {words}
        </Link>
      )}
    </li>
  );
}

function wayTo(at: CheckAt): { readonly path: string; readonly words: string } {
  if (at === "crate") return { path: "crate", words: "in Crate" };
  if (at === "calendar") return { path: "calendar", words: "in Calendar" };
  return { path: `brief#${at.replace(" ", "-")}`, words: `in Brief, ${at}` };
}
