import { askedWords, failedAs, failedKinds, families, familyOfBrief, furtherMeasures, type Outcomes, settingField } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { Checkbox, Select } from "antd";
import { ChoiceBox } from "../../pieces/ChoiceBox.tsx";
import { Fold } from "../../pieces/Fold.tsx";
import { TokenList } from "../../pieces/TokenList.tsx";
import { Whole } from "../../pieces/Whole.tsx";
import { houseQuery } from "../../queries.ts";
import { useBriefWork, useRunActions } from "../../work/RunContext.ts";
import { MainChoice } from "./MainChoice.tsx";
import { QuestionLists } from "./QuestionLists.tsx";

const none = "none";

/** What a trial of this brief shows: what it is judged by, what is asked beside, what varies, how a failed one counts. */
export function TrialShows() {
  const { run, brief } = useBriefWork();
  const { change } = useRunActions();
  const { outcomes, spec } = brief;
  const house = useQuery(houseQuery).data;
  const own = families[brief.family];
  const family = familyOfBrief(brief);
  const [measure] = family.measures(spec);
  const asked = askedWords(family, spec, outcomes, run.units);
  const set = (patch: Partial<Outcomes>, words: string): void => change({ outcomes: { ...outcomes, ...patch } }, words);
  const varies = [null, ...Object.keys(own.settings ?? {})].map((id) => ({
    value: id ?? none,
    label: settingField(own, id)?.words ?? "nothing: every trial is alike",
  }));
  const usual = failedAs(own.measures(spec)[0]) === 0 ? "nothing at all" : "no value";
  const failed = {
    family: `${usual}, as usual`,
    nothing: "nothing at all: 0",
    "no value": "no value: it is left out of means",
  } as const;
  const further = furtherMeasures(own, spec);
  return (
    <Fold name="What a trial shows" at="shows" title="What a trial shows" holds={heldWords(measure.words, outcomes)}>
      <MainChoice main={outcomes.main} own={own.measures(spec)[0].words} onChange={(main, words) => set({ main }, words)} />
      <div className="row">
        <ChoiceBox
          label="Varies from trial to trial"
          value={outcomes.setting ?? none}
          options={varies}
          onChoose={(id) =>
            set({ setting: id === none ? null : id }, `varies from trial to trial: ${settingField(own, id)?.words ?? "nothing"}`)
          }
        />
        {measure.rungs ? null : (
          <ChoiceBox
            label="A failed test counts as"
            value={outcomes.failed}
            options={failedKinds.map((value) => ({ value, label: failed[value] }))}
            onChoose={(kind) => set({ failed: kind }, `a failed test counts as ${failed[kind]}`)}
          />
        )}
        <Whole
          label="Versions asked for"
          min={1}
          max={12}
          value={outcomes.versions}
          onChange={(versions) => set({ versions }, `${versions} versions asked for`)}
        />
      </div>
      <div>
        <span className="field-label small">Asked beside it, if families want to tell</span>
        <Select
          mode="multiple"
          className="box-xl"
          aria-label="Asked beside it"
          placeholder="nothing else"
          value={[...outcomes.further]}
          options={further.map(({ id, words }) => ({ value: id, label: words }))}
          onChange={(ids: string[]) => set({ further: ids }, `asked beside: ${ids.length === 0 ? "nothing" : namesOf(ids, further)}`)}
        />
      </div>
      <Checkbox
        checked={outcomes.answered}
        onChange={(event) =>
          set({ answered: event.target.checked }, event.target.checked ? "rules are answered in the logbook" : "rules are not answered")
        }
      >
        Families answer the rules, yes or no, in the logbook
      </Checkbox>
      {own.measures(spec)[0].dimension === "mass" || own.measures(spec)[0].token ? (
        <TokenList
          words="Loads may be counted in things of this brief's own: “60 coins”, “3 storybooks”"
          units={run.units}
          offered={house?.tokens ?? []}
          tokens={outcomes.tokens}
          onChange={(tokens, words) => set({ tokens }, words)}
        />
      ) : null}
      {asked.length > 0 ? (
        <p className="small">
          <strong>Families read:</strong> {asked.join(" ")}
        </p>
      ) : null}
      <QuestionLists questions={outcomes.questions} usual={own.questions} onChange={(questions, words) => set({ questions }, words)} />
    </Fold>
  );
}

const namesOf = (ids: readonly string[], measures: readonly { readonly id: string; readonly words: string }[]): string =>
  ids.map((id) => measures.find((one) => one.id === id)?.words.toLowerCase() ?? id).join(", ");

/** What it holds, said while it is folded. */
function heldWords(main: string, { further, versions, tokens }: Outcomes): string {
  const also = further.length > 0 ? `, ${further.length} more beside` : "";
  const named = tokens.length > 0 ? `, counted in ${tokens.map(({ name }) => name).join(", ")}` : "";
  return `${main.charAt(0).toLowerCase()}${main.slice(1)}${also}; ${versions} ${versions === 1 ? "version" : "versions"} asked for${named}`;
}
