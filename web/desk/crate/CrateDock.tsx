import type { BriefLine } from "@lampcrate/contract";
import { amountWords, type ManifestLine, shortDate, showNumber } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { memo, useId } from "react";
import { Link } from "react-router";
import { houseQuery } from "../queries.ts";
import { type RunWork, useRunWork } from "../run/RunContext.ts";
import { BarLegend, BarMarks, ManifestBar } from "./ManifestBar.tsx";
import { lineSays, money, perWords } from "./show.ts";

/** The crate, beside every step: it recomputes while a dial moves. */
export const CrateDock = memo(function CrateDock() {
  const work = useRunWork();
  const house = useQuery(houseQuery);
  const { run, draft, crate } = work;
  const { manifest } = crate;
  const currency = house.data?.currency ?? "EUR";
  const packed = draft.brief.lines.filter((line) => line.source !== "home");
  return (
    <aside className="sheet crate" aria-label="Crate" aria-busy={crate.slow}>
      <BarMarks />
      <div className="crate-head">
        <CrateChoice work={work} />
        {manifest ? (
          <p className="soft small">
            {manifest.heads.low} to {manifest.heads.high} builders, likely {manifest.heads.median}; nobody goes short{" "}
            {oddsWords(work.crateInput.target)}
            {crate.slow ? "; sizing …" : ""}
          </p>
        ) : (
          <p className="soft small">sizing …</p>
        )}
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
          return of ? <DockLine key={line.id} line={line} of={of} work={work} drives={manifest.drives === line.id} /> : null;
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
            <span>one point surer</span>
            <strong>{manifest ? `+ ${money(manifest.costOfOnePointMore, currency)}` : "–"}</strong>
          </div>
        </div>
        <p className="small soft" style={{ marginTop: 4 }}>
          {driverWords(work)}
          {concerns(work)}
        </p>
      </div>
    </aside>
  );
});

function CrateChoice({ work }: { readonly work: RunWork }) {
  const id = useId();
  const held = work.run.sessions.filter((session) => !session.cancelled);
  const value = work.crateFor.kind === "run" ? "run" : work.crateFor.id;
  return (
    <div className="row" style={{ gap: 8 }}>
      <label htmlFor={id} style={{ fontFamily: "var(--heading)", fontWeight: 700, fontSize: 17 }}>
        Crate for
      </label>
      <select
        id={id}
        className="second"
        value={value}
        onChange={(event) => work.setCrateFor(event.target.value === "run" ? { kind: "run" } : { kind: "session", id: event.target.value })}
      >
        {held.map((session) => (
          <option key={session.id} value={session.id}>
            {shortDate(session.start.slice(0, 10))}
            {session.title ? `, ${session.title}` : ""}
          </option>
        ))}
        <option value="run">
          {held.length === 0
            ? "one session, before any has a day"
            : `the whole run, ${held.length} ${held.length === 1 ? "session" : "sessions"}`}
        </option>
      </select>
    </div>
  );
}

function DockLine({
  line,
  of,
  work,
  drives,
}: {
  readonly line: ManifestLine;
  readonly of: BriefLine;
  readonly work: RunWork;
  readonly drives: boolean;
}) {
  const material = work.materials.find((m) => m.id === of.materialId);
  if (!material) return null;
  const units = work.run.units;
  const { taken, due } = work.promised.get(material.id) ?? { taken: 0, due: 0 };
  const says = lineSays(line, of, material, units);
  const onHand = line.parents === null || line.piecesPerParent === null ? material.onHand : material.onHand * line.piecesPerParent;
  const made = `first build ${amountWords(line.base, material.unit, units)}, rebuilds ${amountWords(line.rebuild, material.unit, units)}, spoilt ${amountWords(line.spoilt, material.unit, units)}, to be sure ${amountWords(Math.max(0, line.certainty), material.unit, units)}`;
  return (
    <div className="crate-line" title={made}>
      <div className="top">
        <span>
          {material.name}{" "}
          <span className="soft small">
            {of.cut ? "cut, " : ""}
            {perWords(of)}
            {drives ? ", drives the crate" : ""}
          </span>
        </span>
        <strong>{amountWords(line.quantity, material.unit, units)}</strong>
      </div>
      <ManifestBar line={line} onHand={onHand} words={made} />
      <p className={says.short ? "says short" : "says"}>
        {says.words}
        {due > 0 ? `; ${amountWords(due, material.unit, units)} on the way` : ""}
        {taken > 0 ? `; ${amountWords(taken, material.unit, units)} promised to others before it` : ""}
      </p>
    </div>
  );
}

function oddsWords(target: number): string {
  const one = Math.round(1 / (1 - target));
  return `in ${one - 1} of ${one} crates`;
}

function driverWords({ crate, draft, materials }: RunWork): string {
  const id = crate.manifest?.drives;
  const line = draft.brief.lines.find((l) => l.id === id);
  const name = materials.find((m) => m.id === line?.materialId)?.name;
  const share = crate.manifest?.lines.find((l) => l.id === id)?.onlyShort ?? 0;
  return name ? `${name} drives the crate: of the crates that run out, ${showNumber(share * 100, 0)} % lack only this. ` : "";
}

function concerns({ draft, materials }: RunWork): string {
  const used = materials.filter((m) => draft.brief.lines.some((l) => l.materialId === m.id));
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
