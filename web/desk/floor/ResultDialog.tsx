import type { FloorDoc } from "@lampcrate/contract";
import { checkResult, type FloorUnit, familyOfBrief, readTrial, refusalWords, type TapOutcome } from "@lampcrate/core";
import { Checkbox, Modal } from "antd";
import { Button } from "../pieces/Button.tsx";
import { ResultCheck } from "./ResultCheck.tsx";
import { useLanding } from "./useLanding.tsx";

interface Kept {
  readonly raw: string;
  readonly value: number | null;
  readonly outcome: TapOutcome;
}

interface ResultDialogProps {
  readonly doc: FloorDoc;
  readonly unit: FloorUnit;
  readonly onKeep: (result: Kept) => void;
  readonly onPhoto: (yes: boolean) => void;
  readonly onClose: () => void;
}

const keys = ["1", "2", "3", "4", "5", "6", "7", "8", "9", ".", "0"] as const;

/** A unit's result by a number pad, in the brief's own unit, or a plain answer. */
export function ResultDialog({ doc, unit, onKeep, onPhoto, onClose }: ResultDialogProps) {
  const family = familyOfBrief(doc.brief);
  const [measure] = family.measures(doc.brief.spec);
  const { raw, setRaw, fromBench } = useLanding(measure);
  if (!measure) return null;
  const read = raw === "" ? null : readTrial(raw, measure);
  const trouble = read && !read.ok ? refusalWords(read.reason, raw, { dimension: measure.dimension, defaultUnit: measure.unit }) : null;
  const tapped = { raw: said(raw, measure.unit), outcome: "number" } as const;
  const verdict = read?.ok ? checkResult(family, doc.brief, tapped, doc.testRoom) : undefined;
  const keep = (outcome: TapOutcome): void => onKeep({ raw: tapped.raw, value: read?.ok ? read.si : null, outcome });
  const hasNumber = !measure.rungs && !measure.numberless;
  return (
    <Modal open centered width={420} title={`${unit.label}: ${measure.words}`} footer={null} onCancel={onClose} className="floor-dialog">
      {hasNumber ? (
        <>
          {fromBench}
          <output className="pad-shown" aria-label="Result">
            {raw === "" ? "0" : raw} <span>{measure.unit ?? ""}</span>
          </output>
          {trouble ? (
            <p role="alert" className="ruler-trouble">
              {trouble}
            </p>
          ) : null}
          <div className="number-pad">
            {keys.map((key) => (
              <Button key={key} className="pad-key" onClick={() => setRaw((was) => (was.length < 9 ? was + key : was))}>
                {key}
              </Button>
            ))}
            <Button className="pad-key" aria-label="Delete the last digit" onClick={() => setRaw((was) => was.slice(0, -1))}>
              del
            </Button>
          </div>
          {/* Below the pad: a digit must not move away from under a thumb. */}
          {read?.ok && verdict ? (
            <ResultCheck verdict={verdict} si={read.si} measure={measure} units={doc.run.units} onTake={(next) => setRaw(() => next)} />
          ) : null}
          <Button type="primary" className="floor-key wide" disabled={!read?.ok} onClick={() => keep("number")}>
            Keep {read?.ok ? tapped.raw : "it"}
          </Button>
        </>
      ) : null}
      <div className="plain-keys">
        {measure.rungs?.steps.map((step, place) => (
          <Button key={step} className="floor-key" onClick={() => onKeep({ raw: step, value: place, outcome: "rung" })}>
            {step}
          </Button>
        ))}
        {measure.passes ? (
          <Button className="floor-key" onClick={() => keep("passed")}>
            {measure.passes.passed}
          </Button>
        ) : null}
        {measure.steps ? (
          <Button className="floor-key" disabled={!read?.ok} onClick={() => keep("atLeast")}>
            {measure.steps.holds}
          </Button>
        ) : null}
        <Button className="floor-key" onClick={() => onKeep({ raw: "", value: null, outcome: "failed" })}>
          {measure.passes?.not ?? "No number: it failed"}
        </Button>
      </div>
      <Checkbox className="photo-tick" checked={unit.photo} onChange={({ target }) => onPhoto(target.checked)}>
        a grown-up has signed for a photo of the build, on paper
      </Checkbox>
    </Modal>
  );
}

const said = (raw: string, unit: string | null): string => (raw === "" ? "" : unit ? `${raw} ${unit}` : raw);
