import type { SheetDoc } from "@lampcrate/contract";
import { askedWords, codeInAddress, furtherOf } from "@lampcrate/core";
import { useConsent, useWords } from "../../shared/words/useWords.ts";
import { familyOf } from "../family.ts";
import { useHost } from "../host.ts";

/** Columns for trials that fit the page. */
const mostTrials = 6;

/** Only on paper, a page of its own: a log to fill in, as this brief tests and in its unit, and the way to send it. */
export function BlankLog({ sheet }: { readonly sheet: SheetDoc }) {
  const words = useWords();
  const consent = useConsent();
  const host = useHost();
  const { brief, code } = sheet;
  const family = familyOf(brief);
  const [measure] = family.measures(brief.spec);
  const unit = measure.rungs ? "" : (measure.unit ?? measure.token?.names[0] ?? "");
  const asked = askedWords(family, brief.spec, brief.outcomes, sheet.units);
  const trials = Array.from(
    { length: Math.min(mostTrials, brief.trials) },
    (_, i) => `${words.log.trial(i + 1)}${unit ? `, ${unit}` : ""}${measure.setting ? `, ${measure.setting.words}` : ""}`,
  );
  const beside = furtherOf(family, brief.spec, brief.outcomes).map((one) => (one.unit === null ? one.words : `${one.words}, ${one.unit}`));
  const heads = [words.sheet.versionHead, words.sheet.changedHead, words.sheet.guessHead, ...trials, ...beside];
  const rows = [...(sheet.words.control === null ? [] : [words.sheet.bare]), "1", "2", "3", "4", "5"];
  return (
    <section className="only-print wide log-page">
      <h2>
        {sheet.title}: {words.sheet.table}
      </h2>
      {asked.length > 0 ? <p className="small">{asked.join(" ")}</p> : null}
      <table className="blank">
        <thead>
          <tr>
            {heads.map((head) => (
              <th key={head}>{head}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row}>
              <td>{row}</td>
              {heads.slice(1).map((head) => (
                <td key={head} />
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="small above">
        <span className="tick-box" /> {consent.keep} <span className="tick-box" /> {consent.photo}
      </p>
      <div className="handout above">
        <img src={`/api/public/runs/${encodeURIComponent(code)}/qr.svg`} alt="" width="90" height="90" />
        <p>
          {words.sheet.scan} <strong className="code">{code}</strong>
          <br />
          {`${host}/h/${codeInAddress(code)}`}
        </p>
      </div>
    </section>
  );
}
