import type { TierDoc } from "@lampcrate/contract";
import { type CheckedRatio, familyOfBrief, fillText, reachOf } from "@lampcrate/core";
import { InputNumber, Select } from "antd";
import { nanoid } from "nanoid";
import { Button } from "../pieces/Button.tsx";
import { Term } from "../pieces/Term.tsx";
import { useBriefWork, useRunActions } from "../work/RunContext.ts";
import { useFilling, useNameOf } from "../work/useFilling.ts";
import { showGoal } from "./ReachPanel.tsx";
import { WordsBox } from "./words/WordsBox.tsx";

const kinds = (["free", "limited materials", "limited time", "stretch"] as const).map((value) => ({ value, label: value }));

/** Tiers: who builds free, with limits, or against the clock, and what the quick ones may stretch to, each with its reach. */
export function TierList({ ratios }: { readonly ratios: readonly CheckedRatio[] }) {
  const { run, brief } = useBriefWork();
  const { change } = useRunActions();
  const family = familyOfBrief(brief);
  const [measure] = family.measures(brief.spec);
  const goal = family.goal(brief.spec);
  const band = family.predict(brief.spec, brief.design).find((p) => p.id === goal.measure)?.band;
  const set = (id: string, patch: Partial<TierDoc>, words: string): void =>
    change({ tiers: brief.tiers.map((tier) => (tier.id === id ? { ...tier, ...patch } : tier)) }, words);
  const remove = (id: string): void =>
    change(
      {
        tiers: brief.tiers.filter((tier) => tier.id !== id),
        lines: brief.lines.map((line) => (line.tier === id ? { ...line, tier: null } : line)),
      },
      "took a tier away",
    );
  const filling = useFilling();
  const nameOf = useNameOf();
  const missing = family.tiers.filter((tier) => !brief.tiers.some((own) => own.words === tier.words));
  const reachWords = (times: number): string => {
    const value = goal.value * times;
    const shown = showGoal(value, measure, run.units);
    if (goal.value === 0) return "this goal has no number to multiply";
    if (!band || band.factor <= 1) return shown;
    const { first, within } = reachOf({ band, ratios, better: goal.better }, value, brief.loops);
    return `${shown}: about ${Math.round(first * 100)} in 100 at first, ${Math.round(within * 100)} within ${brief.loops + 1}`;
  };
  return (
    <section className="sheet pad stack jump-to" aria-label="Tiers" id="tiers">
      <h2>
        <Term of="tier">Tiers</Term> and stretch goals
      </h2>
      {brief.tiers.length === 0 ? <p className="soft">None yet: everybody builds under the same terms.</p> : null}
      {brief.tiers.map((tier) => (
        <div key={tier.id} className="tier" role="group" aria-label={`Tier: ${fillText(tier.words, { ...filling, times: tier.times })}`}>
          <Select
            aria-label="Kind of tier"
            value={tier.kind}
            options={kinds}
            onChange={(kind: TierDoc["kind"]) =>
              set(tier.id, { kind, times: kind === "stretch" ? (tier.times ?? 1.5) : null }, `tier: ${kind}`)
            }
          />
          <WordsBox
            label="What it says"
            bare
            text={tier.words}
            most={200}
            filling={filling}
            times={tier.times}
            nameOf={nameOf}
            onChange={(words) => words.trim() !== "" && set(tier.id, { words }, "a tier's words")}
          />
          {tier.kind === "stretch" ? (
            <span className="row near one-line">
              <InputNumber
                aria-label="Times the goal"
                min={0.05}
                max={20}
                step={0.1}
                className="box-s"
                value={tier.times}
                onChange={(times) => times !== null && set(tier.id, { times }, `stretch ${times} times`)}
              />
              <span className="small">times, {reachWords(tier.times ?? 1)}</span>
            </span>
          ) : (
            <span className="row near">
              <InputNumber
                aria-label="Part of the builders, per cent"
                min={0}
                max={100}
                precision={0}
                className="box-s"
                value={Math.round(tier.share * 100)}
                onChange={(per) => per !== null && set(tier.id, { share: per / 100 }, `tier taken by ${per} %`)}
              />
              <span className="small">% of the builders</span>
            </span>
          )}
          <Button type="text" size="small" onClick={() => remove(tier.id)}>
            take away
          </Button>
        </div>
      ))}
      <div className="row">
        {missing.map((tier) => (
          <Button
            size="small"
            key={tier.words}
            onClick={() =>
              change(
                { tiers: [...brief.tiers, { id: nanoid(10), kind: tier.kind, words: tier.words, share: 0, times: tier.times ?? null }] },
                `added tier: ${fillText(tier.words, { ...filling, times: tier.times ?? null })}`,
              )
            }
          >
            + {fillText(tier.words, { ...filling, times: tier.times ?? null })}
          </Button>
        ))}
        <Button
          type="text"
          size="small"
          onClick={() =>
            change(
              { tiers: [...brief.tiers, { id: nanoid(10), kind: "stretch", words: "A step further: {stretch}", share: 0, times: 1.5 }] },
              "added a stretch goal",
            )
          }
        >
          + a stretch goal of your own
        </Button>
      </div>
    </section>
  );
}
