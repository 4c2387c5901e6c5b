import type { SheetDoc } from "@lampcrate/contract";
import { askedWords, codeInAddress, dateWords, showQuantity } from "@lampcrate/core";
import { Suspense } from "react";
import { Link } from "react-router";
import { RigDrawing } from "../../shared/pieces/RigDrawing.tsx";
import { useWords } from "../../shared/words/useWords.ts";
import { familyOf } from "../family.ts";
import { rulesOn } from "../rules.ts";
import { BlankLog } from "./BlankLog.tsx";
import { LargeLetters } from "./LargeLetters.tsx";
import { Materials } from "./Materials.tsx";
import { ToBeat } from "./ToBeat.tsx";

/**
 * The sheet of a challenge, on a phone or on one printed page; the server answers with the same. What the server drew is
 * taken over a little at a time, which React does only below a boundary.
 */
export function OpenSheet({ sheet }: { readonly sheet: SheetDoc }) {
  return (
    <Suspense>
      <SheetBody sheet={sheet} />
    </Suspense>
  );
}

function SheetBody({ sheet }: { readonly sheet: SheetDoc }) {
  const words = useWords();
  const { brief, units } = sheet;
  const family = familyOf(brief);
  const goal = family.goalWords(brief.spec, (si, dimension) => showQuantity(si, dimension, units));
  const asked = askedWords(family, brief.spec, brief.outcomes, units);
  const path = `/h/${codeInAddress(sheet.code)}`;
  const steps = [
    words.sheet.ask(goal),
    words.sheet.look,
    ...(brief.sketchFirst ? [words.sheet.sketch] : []),
    words.sheet.build,
    words.sheet.test(brief.trials),
    words.sheet.improve,
    words.sheet.share,
  ];
  return (
    <main className="home" aria-label={sheet.title}>
      <title>{sheet.title}</title>
      <header>
        <p className="soft small">
          {sheet.house}, {words.common.code} <span className="code">{sheet.code}</span>
        </p>
        <h1>{sheet.title}</h1>
      </header>
      <p className="goal wide">{goal}</p>
      <div className="card picture">
        <RigDrawing scene={family.drawing(brief.spec, brief.design)} units={units} tall={300} small />
      </div>
      <ToBeat builds={sheet.toBeat} />
      {brief.story ? <p>{brief.story}</p> : null}
      <section className="careful" aria-labelledby="careful">
        <h2 id="careful">{words.sheet.cautions}</h2>
        <ul>
          {sheet.cautions.map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
      </section>
      <Materials lines={sheet.lines} atHome={sheet.kind === "at-home"} />
      <section className="card">
        <h2>{words.sheet.steps}</h2>
        <ol>
          {steps.map((step) => (
            <li key={step}>{step}</li>
          ))}
        </ol>
      </section>
      {brief.plainBuildShown ? (
        <section className="card">
          <h2>{words.sheet.howTo}</h2>
          <ol>
            {sheet.words.howTo.map((step) => (
              <li key={step.words}>
                {step.words}
                {step.adult ? <strong> ({words.sheet.adult})</strong> : null}
              </li>
            ))}
          </ol>
        </section>
      ) : null}
      <section className="card">
        <h2>{words.sheet.testAgain}</h2>
        <p>
          {sheet.words.test.join(" ")} {brief.protocolNote}
        </p>
        {asked.length > 0 ? <p>{asked.join(" ")}</p> : null}
      </section>
      <section className="card">
        <h2>{words.sheet.rules}</h2>
        <ul>
          {rulesOn(sheet).map((rule) => (
            <li key={rule}>{rule}</li>
          ))}
        </ul>
      </section>
      {brief.tiers.length > 0 ? (
        <section className="card">
          <h2>{words.sheet.tiers}</h2>
          <ul>
            {brief.tiers.map((tier) => (
              <li key={tier.id}>
                {tier.words}
                {tier.kind === "stretch" ? ` (${words.sheet.stretch})` : ""}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <section className="card">
        <h2>{words.sheet.idea}</h2>
        <p>{sheet.words.idea}</p>
      </section>
      <p className="plain-words wide">
        <strong>{closingWords(sheet, words)}</strong> {words.sheet.judged[sheet.scoring]} {brief.prize}
      </p>
      <div className="buttons no-print">
        {sheet.entries === "closed" ? (
          <Link className="plain" to={`${path}/reveal`}>
            {words.sheet.reveal}
          </Link>
        ) : null}
        <button type="button" className="plain" onClick={() => window.print()}>
          {words.sheet.print}
        </button>
        <Link className="plain" to={`${path}/guide`}>
          {words.sheet.guide}
        </Link>
        <LargeLetters />
      </div>
      <BlankLog sheet={sheet} />
      <div className="to-log no-print">
        <Link className="big" to={`${path}/log`}>
          {words.sheet.log}
        </Link>
      </div>
    </main>
  );
}

/** When results can be sent, with the day in words. */
export function closingWords(sheet: SheetDoc, words: ReturnType<typeof useWords>): string {
  if (sheet.entries === "closed" && sheet.closesOn) return words.sheet.closed(dateWords(sheet.closesOn));
  if (sheet.entries === "not yet")
    return sheet.opensOn
      ? `${words.sheet.opens(dateWords(sheet.opensOn))} ${sheet.closesOn ? words.sheet.closes(dateWords(sheet.closesOn)) : ""}`
      : words.sheet.notYet;
  return sheet.closesOn ? words.sheet.closes(dateWords(sheet.closesOn)) : "";
}
