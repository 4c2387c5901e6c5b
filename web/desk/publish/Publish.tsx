import type { RunDoc, RunSettings } from "@lampcrate/contract";
import { briefRoundIn, codeInAddress } from "@lampcrate/core";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { type AskError, api, ask } from "../../shared/client.ts";
import { ChecksHere } from "../checks/ChecksHere.tsx";
import { Button } from "../pieces/Button.tsx";
import { Choose } from "../pieces/Choose.tsx";
import { FocusIn } from "../pieces/FocusIn.tsx";
import { Open } from "../pieces/Lock.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { useSave } from "../pieces/useSave.ts";
import { bookingsQuery, runQuery, seasonQuery } from "../queries.ts";
import { useBriefWork, useCrateWork, useRunActions } from "../work/RunContext.ts";
import { StepDesk } from "../work/StepDesk.tsx";
import { useChecks } from "../work/useChecks.ts";
import { useRunSettings } from "../work/useRunSettings.ts";
import { Duplicate } from "./Duplicate.tsx";
import { PhonePreview } from "./PhonePreview.tsx";
import { TakeOut } from "./TakeOut.tsx";

const scorings: readonly (readonly [RunSettings["scoring"], string])[] = [
  ["goal-improved", "goal met and most improved, as two lists"],
  ["celebrate", "celebrate: no standings anywhere"],
  ["best", "best trial, ranked"],
  ["mean", "mean of the last version, ranked"],
];

/** Freeze the brief, open the run to families, hand out its code, QR and sheet. */
export function Publish() {
  const { run, brief } = useBriefWork();
  const { materials } = useCrateWork();
  const { flush, change } = useRunActions();
  const queries = useQueryClient();
  const settings = useRunSettings();
  const [refused, setRefused] = useState<AskError | null>(null);
  const [copying, setCopying] = useState(false);
  const { save, pending, trouble } = useSave({
    send: (doing: () => Promise<RunDoc>) => doing(),
    onSaved: (saved) => queries.setQueryData(runQuery(run.id).queryKey, saved),
    renew: [seasonQuery, bookingsQuery],
  });
  // What could not be saved is said above the step; nothing older is published in its place.
  const act = async (doing: () => Promise<RunDoc>): Promise<void> => {
    setRefused(null);
    if (await flush()) await save(doing);
  };
  const checks = useChecks();
  const stopped = checks.some(({ stops }) => stops);
  // What was a round number in the other units becomes one in these: the goal itself moves, and all follows.
  const inUnits = async (units: RunDoc["units"]): Promise<void> => {
    if (!(await settings.change({ units }))) return;
    const { spec, design, compared, lines } = briefRoundIn(brief, units, (id) => materials.find((m) => m.id === id)?.unit ?? null);
    change({ spec, design, compared, lines }, `round numbers in ${units === "metric" ? "metres and grams" : "feet and pounds"}`);
  };
  const param = { param: { id: run.id } };
  const published = run.status === "published";
  const canPublish = !published || run.changedSincePublished;
  return (
    <StepDesk beside="Phone preview" panel={<PhonePreview />}>
      <section className="sheet pad stack" aria-label="Publishing">
        <h2>
          {published ? `Version ${run.publishedVersion} is out` : run.status === "cancelled" ? "This run is cancelled" : "Not published"}
        </h2>
        <p>{statusWords(run)}</p>
        <Refused trouble={refused ?? trouble} />
        <ChecksHere checks={checks} />
        <div className="row">
          {canPublish ? (
            <Button type="primary" disabled={pending || stopped} onClick={() => void act(() => ask(api.runs[":id"].publish.$post(param)))}>
              {published ? `Publish version ${(run.publishedVersion ?? 0) + 1}` : "Publish"}
            </Button>
          ) : null}
          {published ? (
            <Button disabled={pending} onClick={() => void act(() => ask(api.runs[":id"].unpublish.$post(param)))}>
              Unpublish
            </Button>
          ) : null}
          {run.status === "cancelled" ? null : (
            <Button disabled={pending} onClick={() => void act(() => ask(api.runs[":id"].cancel.$post(param)))}>
              Cancel the run
            </Button>
          )}
          <Button aria-expanded={copying} onClick={() => setCopying(!copying)}>
            Duplicate
          </Button>
          <TakeOut run={run} onTrouble={setRefused} />
        </div>
        {copying ? (
          <FocusIn>
            <Duplicate run={run} onLeave={() => setCopying(false)} />
          </FocusIn>
        ) : null}
      </section>
      {published && run.code ? (
        <Open>
          <Handout run={run} code={run.code} />
        </Open>
      ) : null}
      <section className="sheet pad stack" aria-label="Standings and keeping">
        <h2>Standings, units, keeping</h2>
        <div className="fields">
          <Choice
            label="What the reveal shows"
            value={run.scoring}
            options={scorings}
            onChange={(scoring) => settings.change({ scoring })}
          />
          <Choice
            label="Units on the sheet"
            value={run.units}
            options={[
              ["metric", "metric"],
              ["imperial", "feet, inches, pounds, ounces"],
            ]}
            onChange={(units) => inUnits(units)}
          />
          <Choice
            label="When their time is over, entries are"
            value={run.afterwards}
            options={[
              ["anonymise", "made anonymous: numbers stay"],
              ["erase", "erased: nothing is left"],
            ]}
            onChange={(afterwards) => settings.change({ afterwards })}
          />
        </div>
        {settings.trouble ? (
          <p role="alert" className="trouble">
            {settings.trouble.message}
          </p>
        ) : null}
      </section>
    </StepDesk>
  );
}

function statusWords(run: RunDoc): string {
  if (run.status === "cancelled") return "Families no longer reach it, and its rooms are free again. Publishing brings it back.";
  if (run.status === "draft")
    return run.publishedVersion === null
      ? "Publishing freezes the brief as version 1 and gives the run its code. Later edits never change a version that families have."
      : "Families can't reach it now; what they sent is kept. Publishing opens it again under the same code.";
  return run.changedSincePublished
    ? "You have changed the brief since. Families still see the frozen version until you publish the next one."
    : "Families see exactly this brief. Edits from now on wait for the next version.";
}

function Handout({ run, code }: { readonly run: RunDoc; readonly code: string }) {
  const path = `/h/${codeInAddress(code)}`;
  return (
    <section className="sheet pad" aria-label="Code and sheet">
      <div className="row handout-row">
        <img
          src={`/api/public/runs/${encodeURIComponent(code)}/qr.svg`}
          alt={`QR code of ${run.publicUrl}${path}`}
          width="168"
          height="168"
          className="edged"
        />
        <div className="stack near grows">
          <h2>Hand it out</h2>
          <p>
            Say it, or print it: <strong className="spoken">{code}</strong>
          </p>
          <p className="small">
            The QR code opens{" "}
            <span className="breaks">
              {run.publicUrl}
              {path}
            </span>
            , the house's public address, wherever you are now.
          </p>
          <div className="row">
            <Button href={path} target="_blank" rel="noreferrer">
              Open the challenge sheet
            </Button>
            <Button href={`${path}?print`} target="_blank" rel="noreferrer">
              Print it on one page
            </Button>
          </div>
        </div>
      </div>
    </section>
  );
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly (readonly [T, string])[];
  readonly onChange: (value: T) => Promise<unknown>;
}

function Choice<T extends string>({ label, value, options, onChange }: ChoiceProps<T>) {
  return (
    <div>
      <span className="field-label small" aria-hidden="true">
        {label}
      </span>
      <Choose
        label={label}
        width="100%"
        value={value}
        options={options.map(([id, words]) => ({ value: id, label: words }))}
        onChoose={(chosen) => void onChange(chosen)}
      />
    </div>
  );
}
