import { type Factor, type Swing, showNumber } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { mattersDoor } from "../../../shared/compute/mattersDoor.ts";
import { useLatest } from "../../../shared/compute/useLatest.ts";
import { useRested } from "../../../shared/useRested.ts";
import { NotReckoned } from "../../pieces/NotReckoned.tsx";
import { money } from "../../pieces/show.ts";
import { houseQuery } from "../../queries.ts";
import { useRunWork } from "../../work/RunContext.ts";
import { CertaintyCurve } from "./CertaintyCurve.tsx";

const names: Readonly<Record<Factor, string>> = {
  attendance: "how many come",
  certainty: "how sure you want to be",
  rebuild: "how many build again",
  spoil: "how much is spoilt",
};

/** What moves the crate's cost: each factor at its low and high end, widest first, and what certainty costs. */
export function WhatMatters() {
  const { draft, crateInput } = useRunWork();
  const currency = useQuery(houseQuery).data?.currency ?? "EUR";
  const { output, trouble, again } = useLatest(mattersDoor, useRested(crateInput, 200), "matters");
  if (draft.brief.lines.length === 0) return null;
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
          <Bars swings={output.tornado.swings} base={output.tornado.base} currency={currency} />
          <CertaintyCurve curve={output.curve} target={crateInput.target} currency={currency} />
        </>
      )}
    </section>
  );
}

function mattersWords(swings: readonly Swing[], currency: string): string {
  const [first] = swings;
  if (!first || first.high === first.low) return "Nothing moves it: the crate costs the same whatever happens.";
  return `Most of all ${names[first.factor]}: from ${money(first.low, currency)} to ${money(first.high, currency)}.`;
}

const endWords = ({ factor, ends }: Swing, end: 0 | 1): string =>
  factor === "attendance" ? `${ends[end]} come` : `${showNumber(ends[end] * 100, 0)} %`;

/** A bar a factor round the crate as it stands; its ends say what they stand for. */
function Bars({ swings, base, currency }: { readonly swings: readonly Swing[]; readonly base: number; readonly currency: string }) {
  const [width, row, left, right] = [800, 44, 190, 90];
  const low = Math.min(base, ...swings.map((swing) => swing.low));
  const high = Math.max(base, ...swings.map((swing) => swing.high));
  const x = (cents: number): number => left + 90 + ((cents - low) / Math.max(1, high - low)) * (width - left - right - 180);
  const tall = swings.length * row + 8;
  return (
    <svg
      viewBox={`0 0 ${width} ${tall}`}
      role="img"
      aria-label={swings.map((s) => `${names[s.factor]}: ${money(s.low, currency)} to ${money(s.high, currency)}`).join("; ")}
    >
      {swings.map((swing, i) => {
        const y = i * row + 8;
        return (
          <g key={swing.factor} fontSize="14" fill="var(--ink)">
            <text x="0" y={y + 19}>
              {names[swing.factor]}
            </text>
            <rect
              x={x(swing.low)}
              y={y + 5}
              width={Math.max(2, x(base) - x(swing.low))}
              height="19"
              fill="var(--settled-wash)"
              stroke="var(--settled)"
            />
            <rect
              x={x(base)}
              y={y + 5}
              width={Math.max(2, x(swing.high) - x(base))}
              height="19"
              fill="var(--sand)"
              stroke="var(--ink)"
              strokeWidth="0.8"
            />
            <text x={x(swing.low) - 7} y={y + 12} textAnchor="end">
              {money(swing.low, currency)}
            </text>
            <text x={x(swing.low) - 7} y={y + 28} textAnchor="end" fontSize="12.5" fill="var(--soft)">
              {endWords(swing, 0)}
            </text>
            <text x={x(swing.high) + 7} y={y + 12}>
              {money(swing.high, currency)}
            </text>
            <text x={x(swing.high) + 7} y={y + 28} fontSize="12.5" fill="var(--soft)">
              {endWords(swing, 1)}
            </text>
          </g>
        );
      })}
      <path d={`M${x(base)} 2V${tall - 4}`} stroke="var(--ink)" strokeWidth="1.4" />
    </svg>
  );
}
