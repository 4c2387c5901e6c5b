import type { ClosureDoc, SessionInput } from "@lampcrate/contract";
import { instantOf, type RepeatKind, repeated, repeatKinds, repeatWords, ruleOf, shortDate } from "@lampcrate/core";
import { Checkbox } from "antd";
import { ChoiceBox } from "../pieces/ChoiceBox.tsx";
import { Whole } from "../pieces/Whole.tsx";

/** A repeat as it is chosen: how, how often, and which are left out. */
export interface Repeating {
  readonly kind: RepeatKind | "once";
  readonly count: number;
  readonly without: readonly string[];
}

export const once: Repeating = { kind: "once", count: 8, without: [] };

interface RepeatsProps {
  readonly typed: Pick<SessionInput, "start" | "minutes">;
  readonly repeating: Repeating;
  readonly zone: string;
  readonly closures: readonly ClosureDoc[];
  readonly today: string;
  readonly onChange: (repeating: Repeating) => void;
}

/** How often a session comes again: its dates, each of which may be left out; what a closed day touches is told, and left out. */
export function Repeats({ typed, repeating, zone, closures, today, onChange }: RepeatsProps) {
  const date = typed.start.slice(0, 10);
  const { kind, count, without } = repeating;
  if (instantOf(typed.start, zone) === null) return null;
  const words = { once: "once", ...Object.fromEntries(repeatKinds.map((one) => [one, repeatWords(one, date)])) } as Record<
    Repeating["kind"],
    string
  >;
  const all = kind === "once" ? null : repeated({ zone, ...typed, rule: ruleOf(kind, date, count) });
  const open = kind === "once" ? null : repeated({ zone, ...typed, rule: ruleOf(kind, date, count), closures });
  return (
    <div className="stack near" role="group" aria-label="Repeats">
      <div className="row">
        <ChoiceBox
          label="It takes place"
          value={kind}
          options={(["once", ...repeatKinds] as const).map((value) => ({ value, label: words[value] }))}
          onChoose={(next) => onChange({ ...repeating, kind: next, without: [] })}
        />
        {kind === "once" ? null : (
          <Whole label="times" min={2} max={60} value={count} onChange={(next) => onChange({ ...repeating, count: next })} />
        )}
      </div>
      {all && !all.ok ? (
        <p role="alert" className="ruler-trouble">
          {all.message}
        </p>
      ) : null}
      {all?.ok && open?.ok ? (
        <ul className="repeat-days">
          {all.occurrences.map(({ local }) => {
            const isClosed = !open.occurrences.some((one) => one.local === local);
            const day = shortDate(local.slice(0, 10), today);
            return (
              <li key={local}>
                <Checkbox
                  checked={!isClosed && !without.includes(local)}
                  disabled={isClosed}
                  onChange={({ target }) =>
                    onChange({ ...repeating, without: target.checked ? without.filter((one) => one !== local) : [...without, local] })
                  }
                >
                  {isClosed ? `${day}: the house is closed` : day}
                </Checkbox>
              </li>
            );
          })}
        </ul>
      ) : null}
    </div>
  );
}

/** How many sessions a repeat comes to. */
export function countOf({ typed, repeating, zone, closures }: Omit<RepeatsProps, "onChange" | "today">): number {
  const { kind, count, without } = repeating;
  const date = typed.start.slice(0, 10);
  if (kind === "once" || instantOf(typed.start, zone) === null) return 1;
  const found = repeated({ zone, ...typed, rule: ruleOf(kind, date, count), closures, exdates: without });
  return found.ok ? found.occurrences.length : 0;
}
