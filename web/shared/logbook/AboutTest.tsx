import type { VersionInput } from "@lampcrate/contract";
import { instrumentById, type Measure, said, testPlaces } from "@lampcrate/core";
import { useWords } from "../words/useWords.ts";

/** Where it was tested, and whatever else is worth noting; folded, as few need it. */
export function AboutTest({ version, onChange }: { readonly version: VersionInput; readonly onChange: (version: VersionInput) => void }) {
  const words = useWords();
  return (
    <details open={version.place !== null || version.madeOf !== ""}>
      <summary>{words.log.about}</summary>
      <div className="stacked near above">
        <label className="field">
          <span>{words.log.place}</span>
          <select
            className="typed"
            value={version.place ?? ""}
            onChange={(event) => onChange({ ...version, place: testPlaces.find((place) => place === event.target.value) ?? null })}
          >
            <option value="">–</option>
            {testPlaces.map((place) => (
              <option key={place} value={place}>
                {words.log[place]}
              </option>
            ))}
          </select>
        </label>
        <label className="field">
          <span>{words.log.madeOf}</span>
          <input
            className="typed"
            maxLength={240}
            value={version.madeOf}
            onChange={(event) => onChange({ ...version, madeOf: event.target.value })}
          />
        </label>
      </div>
    </details>
  );
}

/** What all trials of a version are measured with. */
export function InstrumentChoice({
  measure,
  version,
  onChange,
}: {
  readonly measure: Measure;
  readonly version: VersionInput;
  readonly onChange: (version: VersionInput) => void;
}) {
  const words = useWords();
  const used = version.trials[0]?.instrument ?? "";
  return (
    <label className="field">
      <span>{words.log.instrument}</span>
      <select
        className="typed"
        value={used}
        onChange={(event) =>
          onChange({ ...version, trials: version.trials.map((trial) => ({ ...trial, instrument: event.target.value })) })
        }
      >
        {measure.instruments.map((id) => (
          <option key={id} value={id}>
            {said(instrumentById(id)?.words ?? id)}
          </option>
        ))}
      </select>
    </label>
  );
}
