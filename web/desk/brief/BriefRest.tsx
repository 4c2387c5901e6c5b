import { families } from "@lampcrate/core";
import { Checkbox, Input } from "antd";
import { useId } from "react";
import { Whole } from "../pieces/Whole.tsx";
import { useBriefWork, useRunActions } from "../work/RunContext.ts";

/** The rest of a brief: its story, trials, ages, and how the test is held. */
export function BriefRest() {
  const { brief } = useBriefWork();
  const { change } = useRunActions();
  const story = useId();
  const note = useId();
  const { protocol } = families[brief.family];
  return (
    <section className="sheet pad stack jump-to" id="story" aria-label="Story and test">
      <h2>Story and test</h2>
      <div>
        <label className="field-label" htmlFor={story}>
          Story, for the sheet
        </label>
        <Input.TextArea
          id={story}
          rows={3}
          maxLength={1200}
          value={brief.story}
          onChange={(event) => change({ story: event.target.value }, "changed the story")}
        />
      </div>
      <div>
        <label className="field-label" htmlFor={note}>
          How this brief's test is held, beyond the family's way
        </label>
        <Input.TextArea
          id={note}
          rows={2}
          maxLength={600}
          value={brief.protocolNote}
          onChange={(event) => change({ protocolNote: event.target.value }, "changed how the test is held")}
        />
      </div>
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
          <strong>How the test is held.</strong> {protocol.before} {protocol.starts} {protocol.stops} {protocol.order}
          {protocol.control ? ` ${protocol.control}` : ""}
        </p>
      </div>
    </section>
  );
}
