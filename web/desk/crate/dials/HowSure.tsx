import { kitCost, targetOf } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { InputNumber, Switch } from "antd";
import { Ruler } from "../../../shared/pieces/Ruler.tsx";
import { shareScale } from "../../../shared/pieces/scale.ts";
import { money } from "../../pieces/show.ts";
import { houseQuery } from "../../queries.ts";
import { useBriefWork, useCrateWork, useRunActions } from "../../work/RunContext.ts";

const start = { costCents: 1000, usedAgain: 0.5 };

/** How sure to be that nothing runs out: set on a ruler, or left to what turning a builder away and an unused kit cost. */
export function HowSure() {
  const { brief } = useBriefWork();
  const { crateInput } = useCrateWork();
  const { change } = useRunActions();
  const currency = useQuery(houseQuery).data?.currency ?? "EUR";
  const { turnedAway } = brief;
  const kit = kitCost(brief.buildBy, crateInput.lines);
  return (
    <div className="stack near">
      {turnedAway === null ? (
        <Ruler
          label="Sure that nothing runs out"
          scale={shareScale}
          min={0.5}
          max={0.999}
          step={0.01}
          value={brief.target}
          onChange={(target, settled) => change({ target }, `${shareScale.show(target)} sure`, settled)}
        />
      ) : (
        <div className="stack near">
          <span className="field-label">Sure that nothing runs out: {shareScale.show(targetOf(brief, crateInput.lines))}</span>
          <label className="row small near">
            turning one builder away costs us
            <InputNumber
              min={0.01}
              precision={2}
              suffix={currency}
              className="box-m"
              value={turnedAway.costCents / 100}
              onChange={(next) =>
                next !== null && change({ turnedAway: { ...turnedAway, costCents: Math.round(next * 100) } }, `turning away costs ${next}`)
              }
            />
          </label>
          <label className="row small near">
            of an unused kit ({money(kit, currency)}) can be used again
            <InputNumber
              min={0}
              max={100}
              suffix="%"
              className="box-s"
              value={Math.round(turnedAway.usedAgain * 100)}
              onChange={(next) => next !== null && change({ turnedAway: { ...turnedAway, usedAgain: next / 100 } }, `${next} % used again`)}
            />
          </label>
        </div>
      )}
      <span className="row small near">
        <Switch
          size="small"
          aria-label="Let costs decide how sure"
          checked={turnedAway !== null}
          onChange={(on) => change({ turnedAway: on ? start : null }, on ? "costs decide how sure" : "how sure is set")}
        />
        let costs decide how sure
      </span>
    </div>
  );
}
