import { calendar } from "./calendar.ts";
import { finding } from "./finding.ts";
import { type Case, type Judgement, judge } from "./judge.ts";
import { kit } from "./kit.ts";
import { outcome } from "./outcome.ts";
import { physics } from "./physics.ts";

/** A case held against the core: what we got and how far off, or that nothing computes it yet. */
export type Held =
  | { readonly of: Case; readonly built: false }
  | { readonly of: Case; readonly built: true; readonly got: unknown; readonly judgement: Judgement };

/** What computes a case's quantity in the core; undefined when nothing does yet. */
export function computes({ family, quantity }: Case): ((input: never) => unknown) | undefined {
  return family === undefined
    ? (kit[quantity] ?? finding[quantity] ?? outcome[quantity] ?? calendar[quantity])
    : physics[family]?.[quantity];
}

/** Holds one case of any reference file against the core. */
export function hold(of: Case): Held {
  const compute = computes(of);
  if (!compute) return { of, built: false };
  const got = compute(of.input as never);
  // A refusal's reason is for information: the reference files say so.
  const isRefusal = of.quantity === "quantity" && typeof of.expected === "object" && of.expected !== null && "reason" in of.expected;
  const expected = isRefusal ? { ok: false } : of.expected;
  return { of, built: true, got, judgement: judge(got, expected, of.tolerance) };
}
