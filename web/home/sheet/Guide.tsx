import type { SheetDoc } from "@lampcrate/contract";
import { buildValues, codeInAddress, runSheet, said, saidFor, showQuantity, tell } from "@lampcrate/core";
import { Link } from "react-router";
import { useWords } from "../../shared/words/useWords.ts";
import { familyOf, questionsOf } from "../family.ts";
import { Materials } from "./Materials.tsx";
import { closingWords } from "./OpenSheet.tsx";
import { WithSheet } from "./WithSheet.tsx";

/** One page for whoever leads a group through the challenge: what to prepare, how long each part takes, how to help. */
export function Guide() {
  return <WithSheet>{(sheet) => <OpenGuide sheet={sheet} />}</WithSheet>;
}

/** Minutes that groups have. */
const slots = [45, 60, 90] as const;

function OpenGuide({ sheet }: { readonly sheet: SheetDoc }) {
  const words = useWords();
  const { brief, units } = sheet;
  const family = familyOf(brief);
  const goal = family.goalWords(brief.spec, (si, dimension) => showQuantity(si, dimension, units));
  const seen = saidFor(family.symptoms, buildValues(family, brief.spec, brief.design), false);
  const { before, during, after } = questionsOf(brief);
  return (
    <main className="home guide" aria-label={words.guide.title}>
      <title>{`${words.guide.title}: ${sheet.title}`}</title>
      <header>
        <p className="soft small">
          <Link to={`/h/${codeInAddress(sheet.code)}`}>{sheet.title}</Link>, {words.common.code} <span className="code">{sheet.code}</span>
        </p>
        <h1>{words.guide.title}</h1>
      </header>
      <p className="goal wide">{goal}</p>
      <section className="careful" aria-label={words.sheet.cautions}>
        <ul>
          {sheet.cautions.map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
      </section>
      <Minutes brief={brief} />
      <Materials lines={sheet.lines} atHome={sheet.kind === "at-home"} />
      <section className="card">
        <h2>{words.guide.prepare}</h2>
        <ul>
          <li>{words.guide.tryFirst}</li>
          <li>{words.guide.room(tell(family.needs(brief.spec), units))}</li>
          <li>{words.guide.minutes(brief.buildMinutes, brief.trials)}</li>
        </ul>
      </section>
      <section className="card">
        <h2>{words.sheet.testAgain}</h2>
        <p>
          {sheet.words.test.join(" ")} {brief.protocolNote}
        </p>
      </section>
      <section className="card">
        <h2>{words.guide.talk}</h2>
        <ul>
          {[...before, ...during, ...after].map((question) => (
            <li key={question}>{question}</li>
          ))}
        </ul>
      </section>
      <section className="card">
        <h2>{words.guide.send}</h2>
        <p>
          {words.guide.sendHow} {closingWords(sheet, words)}
        </p>
        <p className="no-print">
          <Link to={`/h/${codeInAddress(sheet.code)}/group`}>{words.group.forLeader}</Link>
        </p>
      </section>
      <section className="card wide">
        <h2>{words.guide.help}</h2>
        <p>{words.guide.helpHow}</p>
        <table className="sentences">
          <thead>
            <tr>
              <th scope="col">{words.guide.seen}</th>
              <th scope="col">{words.guide.ask}</th>
              <th scope="col">{words.guide.nudge}</th>
            </tr>
          </thead>
          <tbody>
            {seen.map((symptom) => (
              <tr key={symptom.id}>
                <th scope="row">{symptom.words}</th>
                <td>{symptom.question}</td>
                <td>{symptom.nudge}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <div className="buttons no-print">
        <Link className="plain" to={`/h/${codeInAddress(sheet.code)}`}>
          {words.common.back}
        </Link>
        <button type="button" className="plain" onClick={() => window.print()}>
          {words.guide.print}
        </button>
      </div>
    </main>
  );
}

/** What a group goes through, in slots of several lengths; a slot that is too short has a dash. */
function Minutes({ brief }: { readonly brief: SheetDoc["brief"] }) {
  const words = useWords();
  const sheets = slots.map((slot) => runSheet("visiting group", slot, { sketchFirst: brief.sketchFirst }));
  const [first] = sheets;
  if (!first?.ok) return null;
  return (
    <section className="card">
      <h2>{words.guide.parts}</h2>
      <table>
        <thead>
          <tr>
            <th scope="col">{words.guide.part}</th>
            {slots.map((slot) => (
              <th key={slot} scope="col" className="number">
                {words.guide.slot(slot)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {first.parts.map((part, i) => (
            <tr key={part.id}>
              <th scope="row">{said(part.words)}</th>
              {sheets.map((sheet, of) => (
                <td key={slots[of]} className="number">
                  {sheet.ok ? sheet.parts[i]?.minutes : "–"}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
