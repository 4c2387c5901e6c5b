import { families } from "../../family/families.ts";
import { fillText } from "../fill.ts";
import { type Beside, type Check, type CheckedBrief, fillingFor, shortened } from "./check.ts";

/** Stretch goals that are no harder, shares that are no whole. */
export function tierChecks(brief: CheckedBrief, beside: Beside): readonly Check[] {
  const { better } = families[brief.family].goal(brief.spec);
  const filling = fillingFor(brief, beside);
  const soft = brief.tiers.flatMap((tier): readonly Check[] => {
    if (tier.kind !== "stretch" || tier.times === null || (better === "more" ? tier.times > 1 : tier.times < 1)) return [];
    const times = better === "more" ? 1.5 : 0.75;
    const tiers = brief.tiers.map((one) => (one.id === tier.id ? { ...one, times } : one));
    return [
      {
        id: `stretch ${tier.id}`,
        at: "tiers",
        stops: true,
        words: `“${shortened(fillText(tier.words, { ...filling, times: tier.times }))}” is to stretch, but is no harder than the goal.`,
        mends: [{ words: `Make it ${times} times the goal`, patch: { tiers } }],
      },
    ];
  });
  const plain = brief.tiers.filter(({ kind }) => kind !== "stretch");
  const sum = plain.reduce((all, { share }) => all + share, 0);
  if (plain.length === 0 || Math.abs(sum - 1) < 0.005 || (sum < 1 && plain.length === 1)) return soft;
  const shared = sharesOf(plain.map(({ share }) => share));
  const tiers = brief.tiers.map((tier) => {
    const i = plain.indexOf(tier);
    return i < 0 ? tier : { ...tier, share: shared[i] ?? 0 };
  });
  return [
    ...soft,
    {
      id: "shares",
      at: "tiers",
      stops: false,
      words: `The tiers are taken by ${Math.round(sum * 100)} % of the builders together: it should be 100 %.`,
      mends: [{ words: `Make it ${shared.map((share) => `${Math.round(share * 100)} %`).join(", ")}`, patch: { tiers } }],
    },
  ];
}

/** Shares in whole per cent that are 100 together, as the given ones stand to each other; equal where all are nothing. */
export function sharesOf(shares: readonly number[]): readonly number[] {
  const sum = shares.reduce((all, share) => all + share, 0);
  const exact = shares.map((share) => (sum > 0 ? (share / sum) * 100 : 100 / shares.length));
  const whole = exact.map(Math.floor);
  const order = exact.map((share, i) => [share - Math.floor(share), i] as const).sort((a, b) => b[0] - a[0] || a[1] - b[1]);
  for (const [, i] of order.slice(0, 100 - whole.reduce((all, one) => all + one, 0))) whole[i] = (whole[i] ?? 0) + 1;
  return whole.map((percent) => percent / 100);
}
