import type { Swing } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { mattersDoor } from "../../../shared/compute/mattersDoor.ts";
import { useLatest } from "../../../shared/compute/useLatest.ts";
import { useRested } from "../../../shared/useRested.ts";
import { NotReckoned } from "../../pieces/NotReckoned.tsx";
import { money } from "../../pieces/show.ts";
import { houseQuery } from "../../queries.ts";
import { useBriefWork, useCrateWork } from "../../work/RunContext.ts";
import { CertaintyChart } from "./CertaintyChart.tsx";
import { factorNames, SwingsChart } from "./SwingsChart.tsx";

/** What moves the crate's cost: each factor at its low and high end, widest first, and what certainty costs. */
export function WhatMatters() {
  const { brief } = useBriefWork();
  const { crateInput } = useCrateWork();
  const currency = useQuery(houseQuery).data?.currency ?? "EUR";
  const { output: newest, trouble, again } = useLatest(mattersDoor, useRested(crateInput, 200), "matters");
  // The manifest is waited for, this is not: it is painted when there is nothing else to do.
  const output = useDeferredValue(newest);
  if (brief.lines.length === 0) return null;
  return (
    <section className="sheet pad stack" aria-label="What matters">
      <h2>What moves the cost</h2>
      {trouble === null ? null : <NotReckoned what="What moves the cost" why={trouble} onAgain={again} />}
      {output === null ? (
        <p className="soft">{trouble === null ? "Reckoning …" : ""}</p>
      ) : (
        <>
          <p className="plain-words">
            <strong>{mattersWords(output.tornado.swings, currency)}</strong> The crate as it stands: {money(output.tornado.base, currency)}.
          </p>
          <SwingsChart swings={output.tornado.swings} base={output.tornado.base} currency={currency} />
          <CertaintyChart curve={output.curve} target={crateInput.target} currency={currency} />
        </>
      )}
    </section>
  );
}

function mattersWords(swings: readonly Swing[], currency: string): string {
  const [first] = swings;
  if (!first || first.high === first.low) return "Nothing moves it: the crate costs the same whatever happens.";
  return `Most of all ${factorNames[first.factor]}: from ${money(first.low, currency)} to ${money(first.high, currency)}.`;
}
