import type { AddedHint } from "@lampcrate/contract";
import { buildValues, families, fillText, saidFor } from "@lampcrate/core";
import { Select } from "antd";
import { nanoid } from "nanoid";
import { useState } from "react";
import { Fold } from "../pieces/Fold.tsx";
import { useBriefWork, useRunActions } from "../work/RunContext.ts";
import { useFilling } from "../work/useFilling.ts";
import { RungsOpen } from "./RungsOpen.tsx";
import { AddWords } from "./words/AddWords.tsx";
import { SaidItem } from "./words/SaidItem.tsx";

const rungs = (["question", "nudge", "example"] as const).map((value) => ({ value, label: value }));

const told = {
  rules: {
    title: "Rules, answered before the first trial",
    hint: "Each can be answered yes or no by looking. The family's own always stand.",
    field: "Another rule, as a question",
    placeholder: "Does nothing touch the floor?",
    added: "added a rule",
    gone: "took a rule away",
    changed: "changed a rule",
    one: "A rule, as a question",
  },
  hints: {
    title: "Hints, in their order",
    hint: "Questions first, then nudges, then an example. The family's ladder by symptom comes with it.",
    field: "Another hint",
    placeholder: "Where does it give way first?",
    added: "added a hint",
    gone: "took a hint away",
    changed: "changed a hint",
    one: "A hint",
  },
} as const;

/** Rules or hints of this brief's own, below those that the family brings. */
export function AddedList({ part }: { readonly part: "rules" | "hints" }) {
  const { brief } = useBriefWork();
  const { change } = useRunActions();
  const [rung, setRung] = useState<AddedHint["rung"]>("question");
  const { run } = useBriefWork();
  const filling = useFilling();
  const words = told[part];
  const family = families[brief.family];
  const ofFamily = saidFor(family.rules, buildValues(family, brief.spec, brief.design), run.kind === "at-home");
  const add = (said: string): void => {
    if (part === "rules") change({ rules: [...brief.rules, { id: nanoid(10), words: said }] }, words.added);
    else change({ hints: [...brief.hints, { id: nanoid(10), rung, words: said }] }, words.added);
  };
  const set = (id: string, said: string): void => {
    const put = <T extends { readonly id: string }>(list: readonly T[]) =>
      list.map((item) => (item.id === id ? { ...item, words: said } : item));
    if (part === "rules") change({ rules: put(brief.rules) }, words.changed);
    else change({ hints: put(brief.hints) }, words.changed);
  };
  const remove = (id: string): void =>
    part === "rules"
      ? change({ rules: brief.rules.filter((rule) => rule.id !== id) }, words.gone)
      : change({ hints: brief.hints.filter((hint) => hint.id !== id) }, words.gone);
  const own = part === "rules" ? brief.rules.map((rule) => ({ ...rule, before: "" })) : hintsInOrder(brief.hints);
  return (
    <Fold
      name={part === "rules" ? "Rules" : "Hints"}
      title={words.title}
      at={part}
      holds={part === "rules" ? `${ofFamily.length} of the family, ${own.length} of this brief` : `${own.length} of this brief`}
    >
      <p className="soft small">{words.hint}</p>
      <ul className="plain-list">
        {part === "rules" ? ofFamily.map((rule) => <li key={rule.words}>{fillText(rule.words, filling)}</li>) : null}
        {own.map((item) => (
          <li key={item.id}>
            <SaidItem
              what={words.one}
              words={item.words}
              before={item.before}
              onChange={(said) => set(item.id, said)}
              onRemove={() => remove(item.id)}
            />
          </li>
        ))}
        {part === "hints" && own.length === 0 ? <li className="soft">None of this brief's own yet.</li> : null}
      </ul>
      {part === "hints" ? <RungsOpen opens={brief.hintsOpen} onChange={(hintsOpen, said) => change({ hintsOpen }, said)} /> : null}
      <AddWords
        label={words.field}
        placeholder={words.placeholder}
        before={
          part === "hints" ? (
            <Select
              aria-label="Rung of the ladder"
              className="rung"
              value={rung}
              options={rungs}
              onChange={(value: AddedHint["rung"]) => setRung(value)}
            />
          ) : null
        }
        onAdd={add}
      />
    </Fold>
  );
}

function hintsInOrder(hints: readonly AddedHint[]) {
  return rungs.flatMap(({ value }) => hints.filter((hint) => hint.rung === value).map((hint) => ({ ...hint, before: `${value}:` })));
}
