import type { HouseDoc } from "@lampcrate/contract";
import { ageBands, families, familyIds, type HouseRules } from "@lampcrate/core";
import { InputNumber, Select } from "antd";
import type { ReactNode } from "react";
import { Button } from "../pieces/Button.tsx";
import { Labelled } from "../pieces/Labelled.tsx";

interface SessionRulesProps {
  readonly rules: HouseRules;
  readonly rigs: HouseDoc["rigs"];
  readonly onChange: (patch: Partial<Pick<HouseDoc, "rules" | "rigs">>) => void;
  /** What the server said of a field, where it stands. */
  readonly message: (field: string) => ReactNode;
}

/** How many adults a session needs, when a break is due, and how many rigs there are. */
export function SessionRules({ rules, rigs, onChange, message }: SessionRulesProps) {
  const set = (patch: Partial<HouseRules>): void => onChange({ rules: { ...rules, ...patch } });
  const whole = (label: string, value: number, min: number, max: number, put: (value: number) => void) => (
    <Labelled key={label} label={label}>
      <InputNumber className="wide" min={min} max={max} precision={0} value={value} onChange={(next) => next !== null && put(next)} />
    </Labelled>
  );
  return (
    <section className="sheet pad stack" aria-label="Adults, breaks and rigs">
      <h2>Adults, breaks and rigs</h2>
      <p className="soft">
        A start of our own: your house's safety rules and the law where you are go before it. Parents are not counted as adults of a
        session.
      </p>
      <div className="fields three">
        {whole("Adults at least", rules.leastAdults, 0, 20, (leastAdults) => set({ leastAdults }))}
        {ageBands.map((band) =>
          whole(`Children per adult, ${band}`, rules.childrenPerAdult[band], 1, 60, (n) =>
            set({ childrenPerAdult: { ...rules.childrenPerAdult, [band]: n } }),
          ),
        )}
        {whole("A break lasts, min", rules.breakMinutes, 0, 240, (breakMinutes) => set({ breakMinutes }))}
        {whole("It is due after, min", rules.breakAfterMinutes, 30, 1440, (breakAfterMinutes) => set({ breakAfterMinutes }))}
      </div>
      {message("rules")}
      <h3>Rigs of the house</h3>
      <p className="soft">How many of a kind can stand at once; kinds that aren't named are not counted.</p>
      {rigs.map((rig, i) => (
        <div key={rig.family} className="row feet" role="group" aria-label={`Rigs: ${families[rig.family].words}`}>
          <Select
            className="box-l"
            aria-label="Kind of rig"
            value={rig.family}
            options={familyIds
              .filter((id) => id === rig.family || !rigs.some(({ family }) => family === id))
              .map((value) => ({ value, label: families[value].words }))}
            onChange={(family) => onChange({ rigs: rigs.map((one, at) => (at === i ? { ...one, family } : one)) })}
          />
          <label>
            <span className="field-label small">There are</span>
            <InputNumber
              min={0}
              max={200}
              precision={0}
              value={rig.owned}
              onChange={(owned) => owned !== null && onChange({ rigs: rigs.map((one, at) => (at === i ? { ...one, owned } : one)) })}
            />
          </label>
          <Button type="text" size="small" onClick={() => onChange({ rigs: rigs.filter((_, at) => at !== i) })}>
            remove
          </Button>
        </div>
      ))}
      {message("rigs")}
      <div>
        <Button
          disabled={rigs.length === familyIds.length}
          onClick={() => {
            const family = familyIds.find((id) => !rigs.some((rig) => rig.family === id));
            if (family) onChange({ rigs: [...rigs, { family, owned: 1 }] });
          }}
        >
          Add a kind of rig
        </Button>
      </div>
    </section>
  );
}
