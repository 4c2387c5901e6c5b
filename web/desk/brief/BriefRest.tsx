import { families, fillText } from "@lampcrate/core";
import { Checkbox } from "antd";
import { Whole } from "../pieces/Whole.tsx";
import { useBriefWork, useRunActions } from "../work/RunContext.ts";
import { useFilling, useNameOf } from "../work/useFilling.ts";
import { WordsBox } from "./words/WordsBox.tsx";

/** The rest of a brief: its story, trials, ages, and how the test is held. */
export function BriefRest() {
  const { brief } = useBriefWork();
  const { change } = useRunActions();
  const { protocol } = families[brief.family];
  const filling = useFilling();
  const nameOf = useNameOf();
  return (
    <section className="sheet pad stack jump-to" id="story" aria-label="Story and test">
      <h2>Story and test</h2>
      <WordsBox
        label="Story, for the sheet"
        text={brief.story}
        lines
        most={1200}
        filling={filling}
        nameOf={nameOf}
        onChange={(words) => change({ story: words }, "changed the story")}
      />
      <WordsBox
        label="How this brief's test is held, beyond the family's way"
        text={brief.protocolNote}
        lines
        most={600}
        filling={filling}
        nameOf={nameOf}
        onChange={(words) => change({ protocolNote: words }, "changed how the test is held")}
      />
      <WordsBox
        label="What one may win, and how; for the sheet"
        text={brief.prize}
        lines
        most={400}
        filling={filling}
        nameOf={nameOf}
        onChange={(words) => change({ prize: words }, "changed what one may win")}
      />
      <div className="row">
        <Whole
          label="Minutes a build"
          min={1}
          max={600}
          value={Math.round(brief.buildMinutes)}
          onChange={(buildMinutes) => change({ buildMinutes }, `${buildMinutes} minutes a build`)}
        />
        <Whole
          label="Trials of each version"
          min={1}
          max={12}
          value={brief.trials}
          onChange={(trials) => change({ trials }, `${trials} trials each`)}
        />
        <Whole
          label="Youngest age"
          min={0}
          max={18}
          value={brief.youngestAge}
          onChange={(youngestAge) => change({ youngestAge }, `youngest age ${youngestAge}`)}
        />
        <Checkbox
          checked={brief.sketchFirst}
          onChange={(event) => change({ sketchFirst: event.target.checked }, event.target.checked ? "sketch first" : "no sketch needed")}
        >
          Sketch first
        </Checkbox>
        <Checkbox
          checked={brief.plainBuildShown}
          onChange={(event) =>
            change({ plainBuildShown: event.target.checked }, event.target.checked ? "plain build shown" : "plain build hidden")
          }
        >
          Show the plain first build
        </Checkbox>
      </div>
      <div className="small">
        <p>
          <strong>How the test is held.</strong>{" "}
          {[protocol.before, protocol.starts, protocol.stops, protocol.order, protocol.control ?? ""]
            .map((words) => fillText(words, filling))
            .join(" ")}
        </p>
      </div>
    </section>
  );
}
