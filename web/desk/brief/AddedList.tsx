import type { AddedHint } from "@lampcrate/contract";
import { families } from "@lampcrate/core";
import { Input, Select } from "antd";
import { nanoid } from "nanoid";
import { useState } from "react";
import { Button } from "../pieces/Button.tsx";
import { Fold } from "../pieces/Fold.tsx";
import { useBriefWork, useRunActions } from "../work/RunContext.ts";

const rungs = (["question", "nudge", "example"] as const).map((value) => ({ value, label: value }));

const told = {
  rules: {
    title: "Rules, answered before the first trial",
    hint: "Each can be answered yes or no by looking. The family's own always stand.",
    field: "Another rule, as a question",
    placeholder: "Does nothing touch the floor?",
    added: "added a rule",
    gone: "took a rule away",
  },
  hints: {
    title: "Hints, in their order",
    hint: "Questions first, then nudges, then an example. The family's ladder by symptom comes with it.",
    field: "Another hint",
    placeholder: "Where does it give way first?",
    added: "added a hint",
    gone: "took a hint away",
  },
} as const;

/** Rules or hints of this brief's own, below those that the family brings. */
export function AddedList({ part }: { readonly part: "rules" | "hints" }) {
  const { brief } = useBriefWork();
  const { change } = useRunActions();
  const [typed, setTyped] = useState("");
  const [rung, setRung] = useState<AddedHint["rung"]>("question");
  const words = told[part];
  const family = families[brief.family];
  const add = (): void => {
    const said = typed.trim();
    if (said === "") return;
    if (part === "rules") change({ rules: [...brief.rules, { id: nanoid(10), words: said }] }, words.added);
    else change({ hints: [...brief.hints, { id: nanoid(10), rung, words: said }] }, words.added);
    setTyped("");
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
      holds={part === "rules" ? `${family.rules.length} of the family, ${own.length} of this brief` : `${own.length} of this brief`}
    >
      <p className="soft small">{words.hint}</p>
      <ul className="plain-list">
        {part === "rules" ? family.rules.map((rule) => <li key={rule}>{rule}</li>) : null}
        {own.map((item) => (
          <li key={item.id}>
            {item.before ? <span className="soft small">{item.before} </span> : null}
            {item.words}{" "}
            <Button type="text" size="small" aria-label={`Take away: ${item.words}`} onClick={() => remove(item.id)}>
              take away
            </Button>
          </li>
        ))}
        {part === "hints" && own.length === 0 ? <li className="soft">None of this brief's own yet.</li> : null}
      </ul>
      <div className="row">
        {part === "hints" ? (
          <Select
            aria-label="Rung of the ladder"
            className="rung"
            value={rung}
            options={rungs}
            onChange={(value: AddedHint["rung"]) => setRung(value)}
          />
        ) : null}
        <Input
          className="added"
          maxLength={240}
          aria-label={words.field}
          placeholder={words.placeholder}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          onPressEnter={add}
        />
        <Button onClick={add}>Add</Button>
      </div>
    </Fold>
  );
}

function hintsInOrder(hints: readonly AddedHint[]) {
  return rungs.flatMap(({ value }) => hints.filter((hint) => hint.rung === value).map((hint) => ({ ...hint, before: `${value}:` })));
}
