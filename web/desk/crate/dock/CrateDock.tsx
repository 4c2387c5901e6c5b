import type { BriefDoc, MaterialDoc } from "@lampcrate/contract";
import { type Manifest, showNumber } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { memo, useId } from "react";
import { Link } from "react-router";
import { NotReckoned } from "../../pieces/NotReckoned.tsx";
import { money } from "../../pieces/show.ts";
import { Term } from "../../pieces/Term.tsx";
import { useHouseDay } from "../../pieces/useHouseDay.ts";
import { houseQuery } from "../../queries.ts";
import { useBriefWork, useCrateWork, useRunActions } from "../../work/RunContext.ts";
import { useSizedCrate } from "../../work/SizedCrate.tsx";
import { DockLine } from "./DockLine.tsx";
import { BarLegend, BarMarks } from "./ManifestBar.tsx";
import "./dock.css";
import { Choose } from "../../pieces/Choose.tsx";

/** The crate, beside every step: it recomputes while a dial moves. */
export const CrateDock = memo(function CrateDock() {
  const { run, brief } = useBriefWork();
  const { materials, promised, crateInput } = useCrateWork();
  const house = useQuery(houseQuery);
  const crate = useSizedCrate();
  const { manifest } = crate;
  const currency = house.data?.currency ?? "EUR";
  const packed = brief.lines.filter((line) => line.source !== "home");
  return (
    <aside className="sheet crate" aria-label="Crate" aria-busy={crate.slow}>
      <BarMarks />
      <div className="crate-head">
        <CrateChoice />
        {manifest ? (
          <p className="soft small">
            {manifest.heads.low} to {manifest.heads.high} builders, likely {manifest.heads.median}; nobody goes short{" "}
            {oddsWords(crateInput.target)}
            {crate.slow ? "; sizing …" : ""}
          </p>
        ) : crate.trouble === null ? (
          <p className="soft small">sizing …</p>
        ) : null}
        {crate.trouble === null ? null : <NotReckoned what="The crate" why={crate.trouble} onAgain={crate.again} />}
        <BarLegend />
      </div>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling region must be reachable by keyboard */}
      <div className="crate-lines" role="region" aria-label="Manifest" tabIndex={0}>
        {packed.length === 0 ? (
          <p className="pad">
            Nothing in the crate yet. <Link to={`/run/${run.id}/crate`}>Say what goes in a kit</Link>, and quantities, stock and cost
            follow.
          </p>
        ) : null}
        {manifest?.lines.map((line) => {
          const of = packed.find((l) => l.id === line.id);
          const material = materials.find((m) => m.id === of?.materialId);
          return of && material ? (
            <DockLine
              key={line.id}
              line={line}
              of={of}
              material={material}
              promising={promised.get(material.id)}
              units={run.units}
              drives={manifest.drives === line.id}
            />
          ) : null;
        })}
      </div>
      <div className="crate-foot">
        <div className="figures">
          <div>
            <span>a builder</span>
            <strong>{manifest?.costPerBuilder == null ? "–" : money(manifest.costPerBuilder, currency)}</strong>
          </div>
          <div>
            <span>the crate</span>
            <strong>{manifest ? money(manifest.cost, currency) : "–"}</strong>
          </div>
          <div>
            <span>
              <Term of="surer">one point surer</Term>
            </span>
            <strong>{manifest ? `+ ${money(manifest.costOfOnePointMore, currency)}` : "–"}</strong>
          </div>
        </div>
        <p className="small soft above">
          {driverWords(brief, materials, manifest)}
          {concerns(brief, materials)}
        </p>
      </div>
    </aside>
  );
});

function CrateChoice() {
  const { run } = useBriefWork();
  const { crateFor } = useCrateWork();
  const { setCrateFor } = useRunActions();
  const { day } = useHouseDay();
  const id = useId();
  const held = run.sessions.filter((session) => !session.cancelled);
  const value = crateFor.kind === "run" ? "run" : crateFor.id;
  return (
    <div className="row near">
      <label htmlFor={id} className="crate-for">
        Crate for
      </label>
      <Choose
        id={id}
        label="Crate for"
        value={value}
        options={[
          ...held.map((session) => ({
            value: session.id,
            label: `${day(session.start.slice(0, 10))}${session.title ? `, ${session.title}` : ""}`,
          })),
          {
            value: "run",
            label:
              held.length === 0
                ? "one session, before any has a day"
                : `the whole run, ${held.length} ${held.length === 1 ? "session" : "sessions"}`,
          },
        ]}
        onChoose={(of) => setCrateFor(of === "run" ? { kind: "run" } : { kind: "session", id: of })}
      />
    </div>
  );
}

function oddsWords(target: number): string {
  const one = Math.round(1 / (1 - target));
  return `in ${one - 1} of ${one} crates`;
}

function driverWords({ lines }: BriefDoc, materials: readonly MaterialDoc[], manifest: Manifest | null): string {
  const id = manifest?.drives;
  const line = lines.find((l) => l.id === id);
  const name = materials.find((m) => m.id === line?.materialId)?.name;
  const share = manifest?.lines.find((l) => l.id === id)?.onlyShort ?? 0;
  return name ? `${name} drives the crate: of the crates that run out, ${showNumber(share * 100, 0)} % lack only this. ` : "";
}

function concerns({ lines }: BriefDoc, materials: readonly MaterialDoc[]): string {
  const used = materials.filter((m) => lines.some((l) => l.materialId === m.id));
  const small = used.filter((m) => m.smallPart).map((m) => m.name);
  const allergens = [...new Set(used.flatMap((m) => m.allergens))];
  const latex = used.some((m) => m.latex);
  return [
    small.length > 0 ? `Small parts: ${small.join(", ")}.` : "",
    allergens.length > 0 ? `Allergens: ${allergens.join(", ")}.` : "No allergens.",
    latex ? "Contains latex." : "",
  ]
    .filter(Boolean)
    .join(" ");
}
