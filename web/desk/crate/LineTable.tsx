import { nanoid } from "nanoid";
import { useId, useState } from "react";
import { Link } from "react-router";
import { useRunWork } from "../run/RunContext.ts";
import { LineForm } from "./LineForm.tsx";
import { PasteLines } from "./PasteLines.tsx";
import { amountWords } from "./show.ts";
import { usualLine } from "./usualLine.ts";

const sources = { packed: "packed for them", house: "from the house", home: "found at home" } as const;

/** What a kit is made of, line by line. */
export function LineTable() {
  const { run, draft, materials } = useRunWork();
  const { brief, change } = draft;
  const [editing, setEditing] = useState<string | null>(null);
  const [pasting, setPasting] = useState(false);
  const choose = useId();
  const add = (materialId: string): void => {
    const material = materials.find((m) => m.id === materialId);
    if (!material) return;
    const line = usualLine(nanoid(12), material, brief);
    change({ lines: [...brief.lines, line] }, `added ${material.name}`);
    setEditing(line.id);
  };
  return (
    <section className="sheet pad stack" aria-label="Lines">
      <h2>What a kit takes</h2>
      {materials.length === 0 ? (
        <p>
          The store room is empty. <Link to="/store">Add a material</Link> first.
        </p>
      ) : null}
      {brief.lines.length === 0 ? null : (
        <table className="trials">
          <thead>
            <tr>
              <th scope="col">Material</th>
              <th scope="col">Takes</th>
              <th scope="col">For whom</th>
              <th scope="col">Again at a rebuild</th>
              <th scope="col">Spoilt</th>
              <th scope="col">
                <span className="unseen">Change</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {brief.lines.map((line) => {
              const material = materials.find((m) => m.id === line.materialId);
              const name = material?.name ?? "gone from the store room";
              const open = editing === line.id;
              return [
                <tr key={line.id}>
                  <td>
                    {name}
                    {line.cut ? (
                      <span className="soft small">
                        {" "}
                        cut to {Math.round(line.cut.widthM * 1000)} × {Math.round(line.cut.heightM * 1000)} mm
                      </span>
                    ) : null}
                  </td>
                  <td>
                    {line.kind === "reusable" ? "shared" : amountWords(line.amount, material?.unit ?? "piece", run.units)}{" "}
                    <span className="soft">per {line.per}</span>
                  </td>
                  <td>{sources[line.source]}</td>
                  <td>{line.kind === "reusable" ? "" : `${Math.round(line.perRebuild * 100)} %`}</td>
                  <td>{line.kind === "counted" ? `${Math.round(line.spoilRate * 100)} %` : ""}</td>
                  <td>
                    <button
                      type="button"
                      className="quiet"
                      aria-expanded={open}
                      aria-label={`Change ${name}`}
                      onClick={() => setEditing(open ? null : line.id)}
                    >
                      {open ? "close" : "change"}
                    </button>
                  </td>
                </tr>,
                open ? (
                  <tr key={`${line.id}-form`}>
                    <td colSpan={6} style={{ background: "var(--ground)" }}>
                      <LineForm
                        line={line}
                        material={material}
                        units={run.units}
                        onChange={(patch, words) =>
                          change({ lines: brief.lines.map((l) => (l.id === line.id ? { ...l, ...patch } : l)) }, `${name}: ${words}`)
                        }
                        onRemove={() => change({ lines: brief.lines.filter((l) => l.id !== line.id) }, `took ${name} out`)}
                      />
                    </td>
                  </tr>
                ) : null,
              ];
            })}
          </tbody>
        </table>
      )}
      <div className="row">
        <label htmlFor={choose}>Add a line</label>
        <select id={choose} className="second" value="" onChange={(event) => add(event.target.value)}>
          <option value="">choose a material …</option>
          {materials.map((material) => (
            <option key={material.id} value={material.id}>
              {material.name}
            </option>
          ))}
        </select>
        <button type="button" className="second" onClick={() => setPasting(true)}>
          Paste from a spreadsheet
        </button>
        <Link to="/store" className="small">
          not in the list? store room
        </Link>
      </div>
      {pasting ? <PasteLines onDone={() => setPasting(false)} /> : null}
    </section>
  );
}
