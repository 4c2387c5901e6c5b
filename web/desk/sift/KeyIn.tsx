import { type AgeBand, ageBands, type KeyedDoc, type KeyedInput, type VersionInput } from "@lampcrate/contract";
import { familyOfBrief } from "@lampcrate/core";
import { consentVersionOf, en, type LanguageId, languageIds, languageName } from "@lampcrate/words";
import { Checkbox, Input, Select } from "antd";
import { useState } from "react";
import { api, ask } from "../../shared/client.ts";
import { VersionCard } from "../../shared/logbook/VersionCard.tsx";
import { blankVersion, filledVersions } from "../../shared/logbook/versions.ts";
import "../../shared/logbook/logbook.css";
import { useKeptState } from "../../shared/useKeptState.ts";
import { Button } from "../pieces/Button.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { useSave } from "../pieces/useSave.ts";
import { entriesQuery, runQuery, seasonQuery } from "../queries.ts";
import { useBriefWork } from "../work/RunContext.ts";

type Typed = KeyedInput;

/** Keys in what came by mail or on paper, with the consent as it was given there. What is typed stays until it is kept or thrown away. */
export function KeyIn({ onDone }: { readonly onDone: () => void }) {
  const { run } = useBriefWork();
  const { brief } = run;
  const family = familyOfBrief(brief);
  const first = (): VersionInput => blankVersion(family, brief, brief.trials, "build");
  const blank: Typed = {
    ageBand: null,
    consentKeep: false,
    consentPhoto: false,
    consentVersion: consentVersionOf("en"),
    said: "",
    versions: [first()],
  };
  const [typed, setTyped] = useKeptState<Typed>(`key-in-${run.id}`, blank);
  const [kept, setKept] = useState<KeyedDoc | null>(null);
  const set = (patch: Partial<Typed>): void => setTyped({ ...typed, ...patch });
  const versions = filledVersions(typed.versions);
  const missing =
    versions.length === 0 ? "Type one result, or say that it failed." : typed.consentKeep ? null : "The paper must have an adult's yes.";
  const { save, pending, trouble } = useSave({
    send: (json: KeyedInput) => ask(api.runs[":id"].entries.$post({ param: { id: run.id }, json })),
    onSaved: (doc) => {
      setKept(doc);
      setTyped(null);
    },
    renew: [entriesQuery(run.id), { queryKey: runQuery(run.id).queryKey, exact: true }, seasonQuery],
  });
  if (kept) return <Kept doc={kept} onNext={() => setKept(null)} onDone={onDone} />;
  return (
    <section className="sheet pad stack trial-form" aria-label="Entry from paper">
      <h2>Key in an entry from paper</h2>
      {typed.versions.map((version, i) => (
        <VersionCard
          key={i}
          title={`Version ${i + 1}`}
          first={i === 0}
          tried={{ family, spec: brief.spec, design: brief.design, units: run.units, outcomes: brief.outcomes }}
          version={version}
          removable={i > 0}
          copied
          onChange={(next) => set({ versions: typed.versions.map((one, at) => (at === i ? next : one)) })}
          onRemove={() => set({ versions: typed.versions.filter((_, at) => at !== i) })}
        />
      ))}
      <div>
        <Button
          onClick={() => set({ versions: [...typed.versions, blankVersion(family, brief, brief.trials, "build", typed.versions.at(-1))] })}
        >
          Another version
        </Button>
      </div>
      <About typed={typed} onChange={set} />
      <Refused trouble={trouble} />
      <div className="row">
        <Button type="primary" disabled={missing !== null || pending} onClick={() => void save({ ...typed, versions })}>
          Keep it
        </Button>
        <Button type="text" size="small" onClick={onDone}>
          Not now
        </Button>
        {missing ? <span className="soft small">{missing}</span> : null}
      </div>
    </section>
  );
}

/** What stands on the paper beside the numbers: who, what they said, and what an adult agreed to. */
function About({ typed, onChange }: { readonly typed: Typed; readonly onChange: (patch: Partial<Typed>) => void }) {
  return (
    <>
      <div className="row">
        <Select
          aria-label="How old the builders are"
          className="box-m"
          allowClear
          placeholder="how old, if it says so"
          value={typed.ageBand}
          options={ageBands.map((value: AgeBand) => ({ value, label: value }))}
          onChange={(ageBand: AgeBand | undefined) => onChange({ ageBand: ageBand ?? null })}
        />
        <Select
          aria-label="Language of the paper"
          className="box-m"
          value={languageIds.find((id) => consentVersionOf(id) === typed.consentVersion) ?? "en"}
          options={languageIds.map((value) => ({ value, label: languageName(value) }))}
          onChange={(id: LanguageId) => onChange({ consentVersion: consentVersionOf(id) })}
        />
        <Input
          aria-label="What they said"
          className="box-l"
          maxLength={600}
          placeholder="what they said, if anything; no names"
          value={typed.said}
          onChange={(event) => onChange({ said: event.target.value })}
        />
      </div>
      <Checkbox checked={typed.consentKeep} onChange={(event) => onChange({ consentKeep: event.target.checked })}>
        The paper says, by an adult: <q>{en.consents["en-1"].keep}</q>
      </Checkbox>
      <Checkbox checked={typed.consentPhoto} onChange={(event) => onChange({ consentPhoto: event.target.checked })}>
        The paper says yes to this too: <q>{en.consents["en-1"].photo}</q>
      </Checkbox>
    </>
  );
}

/** What is handed on to the family: the link is shown once, nobody here keeps it. */
function Kept({
  doc: { entry, secret },
  onNext,
  onDone,
}: {
  readonly doc: KeyedDoc;
  readonly onNext: () => void;
  readonly onDone: () => void;
}) {
  return (
    <section className="sheet pad stack" aria-label="Entry from paper">
      <h2>{entry.alias} is kept</h2>
      <p>
        Write this on a slip for the family: with it they can look, correct, withdraw or erase. It is shown once; nobody at the house keeps
        it.
      </p>
      <p className="breaks">
        <strong>{`${location.origin}/h/mine#${secret}`}</strong>
      </p>
      <div className="row">
        <Button type="primary" onClick={onNext}>
          Key in the next one
        </Button>
        <Button onClick={onDone}>Back to the entries</Button>
      </div>
    </section>
  );
}
