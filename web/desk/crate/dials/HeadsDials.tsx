import { type HeadsModel, headsPosterior, tQuantile } from "@lampcrate/core";
import { Ruler } from "../../../shared/pieces/Ruler.tsx";
import { quantityScale, shareScale } from "../../../shared/pieces/scale.ts";
import { Choose } from "../../pieces/Choose.tsx";

type Model = HeadsModel["model"];

const names: readonly (readonly [Model, string])[] = [
  ["forecast", "a guess: low, likely, high"],
  ["signedUp", "signed up and walk-ins"],
  ["atHome", "take-home bags"],
  ["learned", "what past sessions teach"],
];

const people = quantityScale("count", "metric", undefined, 1);

/** How many will come: a distribution, never one number. */
export function HeadsDials({
  heads,
  past,
  onChange,
}: {
  readonly heads: HeadsModel;
  /** Builders of this run's counted sessions: what a learned distribution rests on. */
  readonly past: readonly number[];
  readonly onChange: (heads: HeadsModel, settled: boolean) => void;
}) {
  return (
    <div className="stack near">
      <div>
        <Choose
          label="How heads are reckoned"
          value={heads.model}
          options={names
            .filter(([model]) => model !== "learned" || past.length > 0 || heads.model === "learned")
            .map(([model, words]) => ({ value: model, label: words }))}
          onChoose={(model) => onChange(startOf(model, heads, past), true)}
        />
      </div>
      {heads.model === "forecast" || heads.model === "learned" ? (
        <p className="small soft">
          {heads.model === "learned"
            ? `The guess below, moved by ${heads.past.length} counted ${heads.past.length === 1 ? "session" : "sessions"}: ${heads.past.join(", ")} builders. ${learnedWords(heads)}`
            : "One session in ten stays below the low number, one in ten goes above the high one."}
        </p>
      ) : null}
      <div className="fields three">
        <Dials heads={heads} onChange={onChange} />
      </div>
    </div>
  );
}

/** What the past makes of the guess, in heads. */
function learnedWords(heads: HeadsModel & { model: "learned" }): string {
  const { mu, scale, df } = headsPosterior(heads);
  const at = (p: number): number => Math.round(Math.exp(mu + scale * tQuantile(p, df)));
  return `It now expects ${at(0.1)} to ${at(0.9)}, likely ${at(0.5)}.`;
}

function startOf(model: string, heads: HeadsModel, past: readonly number[]): HeadsModel {
  const likely =
    heads.model === "forecast" || heads.model === "learned" ? heads.likely : heads.model === "signedUp" ? heads.signedUp : heads.asked;
  const n = Math.max(4, Math.round(likely));
  const cap = heads.cap === undefined ? {} : { cap: heads.cap };
  if (model === "signedUp") return { model, signedUp: n, showRate: 0.85, walkIns: 3, ...cap };
  if (model === "atHome") return { model, asked: n, takeUp: 0.9, more: 5, ...cap };
  if (model === "learned") {
    const guess = heads.model === "forecast" ? heads : { low: Math.max(1, Math.round(n * 0.7)), likely: n, high: Math.round(n * 1.4) };
    return { model, low: guess.low, likely: guess.likely, high: guess.high, past, ...cap };
  }
  return { model: "forecast", low: Math.max(1, Math.round(n * 0.7)), likely: n, high: Math.round(n * 1.4), ...cap };
}

function Dials({ heads, onChange }: { readonly heads: HeadsModel; readonly onChange: (heads: HeadsModel, settled: boolean) => void }) {
  switch (heads.model) {
    case "forecast":
    case "learned": {
      const top = Math.max(80, Math.ceil((heads.high * 1.4) / 20) * 20);
      return (
        <>
          <Ruler
            label="Low"
            scale={people}
            min={1}
            max={top}
            step={1}
            value={heads.low}
            onChange={(low, settled) =>
              onChange({ ...heads, low, likely: Math.max(low, heads.likely), high: Math.max(low, heads.high) }, settled)
            }
          />
          <Ruler
            label="Likely"
            scale={people}
            min={1}
            max={top}
            step={1}
            value={heads.likely}
            onChange={(likely, settled) =>
              onChange({ ...heads, likely, low: Math.min(likely, heads.low), high: Math.max(likely, heads.high) }, settled)
            }
          />
          <Ruler
            label="High"
            scale={people}
            min={1}
            max={top}
            step={1}
            value={heads.high}
            onChange={(high, settled) =>
              onChange({ ...heads, high, likely: Math.min(high, heads.likely), low: Math.min(high, heads.low) }, settled)
            }
          />
        </>
      );
    }
    case "signedUp":
      return (
        <>
          <Ruler
            label="Signed up"
            scale={people}
            min={0}
            max={Math.max(60, heads.signedUp * 1.5)}
            step={1}
            value={heads.signedUp}
            onChange={(signedUp, settled) => onChange({ ...heads, signedUp }, settled)}
          />
          <Ruler
            label="Share who turn up"
            scale={shareScale}
            min={0}
            max={1}
            step={0.01}
            value={heads.showRate}
            onChange={(showRate, settled) => onChange({ ...heads, showRate }, settled)}
          />
          <Ruler
            label="Walk-ins expected"
            scale={people}
            min={0}
            max={Math.max(40, heads.walkIns * 2)}
            step={1}
            value={heads.walkIns}
            onChange={(walkIns, settled) => onChange({ ...heads, walkIns }, settled)}
          />
        </>
      );
    case "atHome":
      return (
        <>
          <Ruler
            label="Bags asked for"
            scale={people}
            min={0}
            max={Math.max(80, heads.asked * 1.5)}
            step={1}
            value={heads.asked}
            onChange={(asked, settled) => onChange({ ...heads, asked }, settled)}
          />
          <Ruler
            label="Share collected"
            scale={shareScale}
            min={0}
            max={1}
            step={0.01}
            value={heads.takeUp}
            onChange={(takeUp, settled) => onChange({ ...heads, takeUp }, settled)}
          />
          <Ruler
            label="More expected"
            scale={people}
            min={0}
            max={Math.max(60, heads.more * 2)}
            step={1}
            value={heads.more}
            onChange={(more, settled) => onChange({ ...heads, more }, settled)}
          />
        </>
      );
  }
}
