import type { MainOutcome } from "@lampcrate/core";
import { Button } from "../../pieces/Button.tsx";
import { ChoiceBox } from "../../pieces/ChoiceBox.tsx";
import { LineBox } from "../../pieces/LineBox.tsx";
import { Whole } from "../../pieces/Whole.tsx";

/** Rungs of a list at most. */
const mostRungs = 8;

const starts: { readonly [K in MainOutcome["kind"]]: Extract<MainOutcome, { readonly kind: K }> } = {
  number: { kind: "number" },
  passes: { kind: "passes", passed: "held it", not: "gave way", asked: 1 },
  rungs: { kind: "rungs", steps: ["whole", "marked", "cracked", "broken"], asked: 1 },
};

interface MainChoiceProps {
  readonly main: MainOutcome;
  /** The family's own number. */
  readonly own: string;
  readonly onChange: (main: MainOutcome, words: string) => void;
}

/** What a trial is judged by, and how that is said. */
export function MainChoice({ main, own, onChange }: MainChoiceProps) {
  const kinds = {
    number: `a number: ${own.toLowerCase()}`,
    passes: "passed or not",
    rungs: "a list, the best first",
  } as const;
  return (
    <>
      <ChoiceBox
        label="A trial is judged by"
        value={main.kind}
        options={(["number", "passes", "rungs"] as const).map((value) => ({ value, label: kinds[value] }))}
        onChoose={(kind) => onChange(starts[kind], `a trial is judged by ${kinds[kind]}`)}
      />
      {main.kind === "passes" ? <PassWords main={main} onChange={onChange} /> : null}
      {main.kind === "rungs" ? <RungList main={main} onChange={onChange} /> : null}
    </>
  );
}

function PassWords({
  main,
  onChange,
}: {
  readonly main: Extract<MainOutcome, { readonly kind: "passes" }>;
  readonly onChange: MainChoiceProps["onChange"];
}) {
  const say = (patch: Partial<typeof main>) => (typed: string) => {
    if (typed === "") return "Say it in a word or two, such as “held the heavy dictionary”.";
    onChange({ ...main, ...patch, [Object.keys(patch)[0] ?? ""]: typed }, `${Object.keys(patch)[0]}: ${typed}`);
    return null;
  };
  return (
    <div className="row">
      <LineBox label="It passed" value={main.passed} most={60} placeholder="held the heavy dictionary" onTake={say({ passed: "" })} />
      <LineBox label="It did not" value={main.not} most={60} placeholder="gave way" onTake={say({ not: "" })} />
      <Whole
        label="Passes that meet the goal"
        min={1}
        max={12}
        value={main.asked}
        onChange={(asked) => onChange({ ...main, asked }, `${asked} ${asked === 1 ? "pass meets" : "passes meet"} the goal`)}
      />
    </div>
  );
}

function RungList({
  main,
  onChange,
}: {
  readonly main: Extract<MainOutcome, { readonly kind: "rungs" }>;
  readonly onChange: MainChoiceProps["onChange"];
}) {
  const { steps, asked } = main;
  const rename = (place: number) => (typed: string) => {
    if (typed === "") return "A rung needs a name.";
    if (steps.some((step, i) => i !== place && step === typed)) return `“${typed}” is on the list already.`;
    onChange({ ...main, steps: steps.map((step, i) => (i === place ? typed : step)) }, `rung ${place + 1}: ${typed}`);
    return null;
  };
  const remove = (place: number): void => {
    const left = steps.filter((_, i) => i !== place);
    onChange({ ...main, steps: left, asked: Math.min(asked, left.length - 2) }, `took the rung ${steps[place]} away`);
  };
  return (
    <div className="stack near">
      <div className="row">
        {steps.map((step, place) => (
          <span key={step} className="row near one-line">
            <LineBox
              label={place === 0 ? "Best" : place === steps.length - 1 ? "Worst" : `Rung ${place + 1}`}
              value={step}
              most={40}
              onTake={rename(place)}
            />
            {steps.length > 2 ? (
              <Button type="text" size="small" aria-label={`Take ${step} off the list`} onClick={() => remove(place)}>
                take off
              </Button>
            ) : null}
          </span>
        ))}
      </div>
      <div className="row">
        <ChoiceBox
          label="The least that meets the goal"
          value={String(asked)}
          options={steps.slice(0, -1).map((label, place) => ({ value: String(place), label }))}
          onChoose={(place) => onChange({ ...main, asked: Number(place) }, `${steps[Number(place)]} meets the goal`)}
        />
        {steps.length < mostRungs ? (
          <Button size="small" onClick={() => onChange({ ...main, steps: [...steps, nameFor(steps)] }, "added a rung")}>
            + a rung at the end
          </Button>
        ) : null}
      </div>
    </div>
  );
}

/** A name that is not on the list yet. */
function nameFor(steps: readonly string[]): string {
  const names = ["in pieces", "lost", "worse", "worst of all", ...Array.from({ length: mostRungs }, (_, i) => `rung ${i + 1}`)];
  return names.find((name) => !steps.includes(name)) ?? "";
}
