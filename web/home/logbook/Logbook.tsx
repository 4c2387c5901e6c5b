import type { SheetDoc, VersionInput } from "@lampcrate/contract";
import type { AskedQuestions } from "@lampcrate/core";
import { useRef } from "react";
import { NudgesShut } from "../../shared/logbook/nudges.ts";
import { isUsed } from "../../shared/logbook/trialEdits.ts";
import { useWords } from "../../shared/words/useWords.ts";
import { familyOf, questionsOf } from "../family.ts";
import { NotSaved } from "../NotSaved.tsx";
import { TimerPractice } from "../practice/TimerPractice.tsx";
import { WithSheet } from "../sheet/WithSheet.tsx";
import { Helped } from "./Helped.tsx";
import { HintLadder, shutWords } from "./HintLadder.tsx";
import { LogbookHead } from "./LogbookHead.tsx";
import { OwnThings } from "./OwnThings.tsx";
import { RuleAnswers } from "./RuleAnswers.tsx";
import { SendPart } from "./SendPart.tsx";
import { Sent } from "./Sent.tsx";
import { SentBefore } from "./SentBefore.tsx";
import { useLogbook } from "./useLogbook.ts";
import { Versions } from "./Versions.tsx";
import { WalkBar } from "./walk/WalkBar.tsx";

/** What a family built, changed, guessed and measured; kept on the device until they send it. */
export function Logbook() {
  return <WithSheet>{(sheet) => <OpenLogbook sheet={sheet} />}</WithSheet>;
}

/** Questions to ask each other before and while building; nobody writes an answer. */
function ToAsk({ questions: { before, during } }: { readonly questions: AskedQuestions }) {
  const words = useWords();
  if (before.length + during.length === 0) return null;
  return (
    <section className="card stacked near" aria-labelledby="to-ask">
      <h2 id="to-ask">{words.log.toAsk}</h2>
      <ul>
        {[...before, ...during].map((question) => (
          <li key={question}>{question}</li>
        ))}
      </ul>
    </section>
  );
}

function OpenLogbook({ sheet }: { readonly sheet: SheetDoc }) {
  const words = useWords();
  const { brief } = sheet;
  const book = useLogbook(sheet);
  const page = useRef<HTMLElement>(null);
  const tries = triesIn(book.draft.versions);
  const nudge = sheet.ladder.find(({ rung }) => rung === "nudge");
  if (book.draft.sent) return <Sent draft={book.draft} sheet={sheet} onStartOver={book.startOver} />;
  return (
    <main className="home" ref={page}>
      <NotSaved stored={book.stored} />
      <title>{`${words.log.title}: ${sheet.title}`}</title>
      <div className="stacked" data-stop={words.walk.careful} tabIndex={-1}>
        <LogbookHead sheet={sheet} />
        <ToAsk questions={questionsOf(brief)} />
        <OwnThings sheet={sheet} tokens={book.draft.tokens} onChange={(tokens) => book.change({ tokens })} />
        {isTimed(sheet) ? <TimerPractice timer={book.draft.timer} onChange={(timer) => book.change({ timer })} /> : null}
      </div>
      <RuleAnswers sheet={sheet} answers={book.draft.answers} onChange={(answers) => book.change({ answers })} />
      <NudgesShut value={nudge ? shutWords(nudge, tries, words) : null}>
        <Versions
          sheet={sheet}
          secret={book.draft.secret}
          timer={book.draft.timer}
          tokens={book.draft.tokens}
          versions={book.draft.versions}
          onChange={(versions) => book.change({ versions })}
        />
      </NudgesShut>
      <div className="stacked" data-stop={words.walk.more} tabIndex={-1}>
        <HintLadder ladder={sheet.ladder} tries={tries} />
        <Helped sheet={sheet} draft={book.draft} />
      </div>
      <SendPart sheet={sheet} book={book} />
      <SentBefore code={sheet.code} but={null} />
      {book.stored ? <p className="soft small">{words.log.saved}</p> : null}
      <WalkBar within={page} />
    </main>
  );
}

/** Whether it is a hand on a stopwatch that measures. */
function isTimed({ brief }: SheetDoc): boolean {
  const [measure] = familyOf(brief).measures(brief.spec);
  return measure.dimension === "time" && !measure.numberless;
}

/** Tests made so far, whatever came of them. */
const triesIn = (versions: readonly VersionInput[]): number =>
  versions.reduce((sum, { role, trials }) => sum + (role === "build" ? trials.filter(isUsed).length : 0), 0);
