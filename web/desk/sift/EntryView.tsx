import type { EntryDoc, VersionDoc } from "@lampcrate/contract";
import { type Family, families, reasonWords, showQuantity, type UnitChoice } from "@lampcrate/core";
import { Input } from "antd";
import { useRunWork } from "../run/RunContext.ts";

interface EntryViewProps {
  readonly entry: EntryDoc;
  readonly why: string;
  readonly onWhy: (why: string) => void;
  readonly onDecide: (decision: "accepted" | "set aside") => void;
}

/** One entry with its numbers, the words as typed, and flags that say why. */
export function EntryView({ entry, why, onWhy, onDecide }: EntryViewProps) {
  const { run } = useRunWork();
  const family = families[run.brief.family];
  return (
    <div className="pad stack" style={{ gap: 10 }}>
      <div className="row spread">
        <h2>{entry.alias}</h2>
        <span className="soft small">
          sent {new Date(entry.sentAt).toISOString().slice(0, 10)}
          {entry.ageBand ? `, ${entry.ageBand}` : ""}, brief version {entry.briefVersion}, {entry.state}
          {entry.decidedBy ? ` by ${entry.decidedBy}` : ""}
          {entry.why ? `: ${entry.why}` : ""}
        </span>
      </div>
      {entry.versions.map((version) => (
        <VersionTable key={version.id} version={version} family={family} units={run.units} spec={run.brief.spec} />
      ))}
      {entry.said ? (
        <p>
          They said: <q>{entry.said}</q>
        </p>
      ) : null}
      <div className="row">
        <Input
          style={{ width: 250 }}
          maxLength={240}
          aria-label="Why, if it is set aside"
          placeholder="why, if it is set aside"
          value={why}
          onChange={(event) => onWhy(event.target.value)}
        />
        <button type="button" className="amber" onClick={() => onDecide("accepted")}>
          Accept
        </button>
        <button type="button" className="second" onClick={() => onDecide("set aside")}>
          Set aside
        </button>
      </div>
    </div>
  );
}

function VersionTable({
  version,
  family,
  units,
  spec,
}: {
  readonly version: VersionDoc;
  readonly family: Family;
  readonly units: UnitChoice;
  readonly spec: EntryDocSpec;
}) {
  const [measure] = family.measures(spec);
  const declared = Object.entries(version.variables).map(([id, value]) => {
    const field = family.variables.find((f) => f.id === id);
    const words =
      field?.kind === "choice"
        ? (field.options.find((o) => o.id === value)?.words ?? String(value))
        : typeof value === "number" && field?.kind === "number"
          ? showQuantity(value, field.dimension, units)
          : String(value);
    return `${field?.words.toLowerCase() ?? id} ${words}`;
  });
  return (
    <div>
      <h3>
        {version.role === "control" ? "Bare test" : `Version ${version.number}`}
        {version.changed ? <span style={{ fontWeight: 400 }}>: {version.changed}</span> : null}
      </h3>
      <p className="small soft">
        {[declared.join(", "), version.guess ? `guessed ${version.guess}` : "", version.place ?? ""].filter(Boolean).join("; ")}
      </p>
      <table className="trials">
        <thead>
          <tr>
            <th scope="col">Trial</th>
            <th scope="col" className="number">
              Typed
            </th>
            <th scope="col" className="number">
              Read as
            </th>
            <th scope="col">Looks</th>
          </tr>
        </thead>
        <tbody>
          {version.trials.map((trial) => (
            <tr key={trial.id}>
              <td>{trial.number}</td>
              <td className="number">{trial.raw ?? "no number"}</td>
              <td className="number">
                {trial.value === null ? "–" : `${trial.atLeast ? "≥ " : ""}${showQuantity(trial.value, measure.dimension, units)}`}
              </td>
              <td>
                {trial.flagWords === null ? (
                  "usual"
                ) : (
                  <span className={trial.flag === "impossible" ? "flagged impossible" : "flagged"}>
                    {trial.flag}: {trial.flagWords}
                    {trial.kept ? " They were asked and keep it." : ""}
                  </span>
                )}
                {trial.offers.map((offer) => (
                  <div key={offer.value} className="small">
                    {showQuantity(offer.value, measure.dimension, units)} {offer.reasons.map(reasonWords).join(", ")}
                  </div>
                ))}
                {trial.seen.length > 0 ? (
                  <div className="small soft">
                    seen: {trial.seen.map((id) => family.symptoms.find((s) => s.id === id)?.words ?? id).join(", ")}
                  </div>
                ) : null}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

type EntryDocSpec = Parameters<Family["measures"]>[0];
