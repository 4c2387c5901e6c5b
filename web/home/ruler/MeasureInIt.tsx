import {
  bestUnit,
  type PhotoLength,
  type PictureDepth,
  parseQuantity,
  photoLength,
  pictureDepths,
  refusalWords,
  showQuantity,
  type UnitChoice,
} from "@lampcrate/core";
import { useId, useState } from "react";
import { PhotoRuler } from "../../shared/pieces/PhotoRuler.tsx";
import { useLaidLines } from "../../shared/pieces/useLaidLines.ts";
import { useWords } from "../../shared/words/useWords.ts";
import { focused } from "../focused.ts";
import type { LengthTarget } from "./lengthTargets.ts";
import { useImageSize } from "./useImageSize.ts";
import "./ruler.css";

export interface MeasureInItProps {
  /** Address of the picture on this device. */
  readonly src: string;
  readonly label: string;
  readonly units: UnitChoice;
  /** What a length that was found may be used for. */
  readonly targets: readonly LengthTarget[];
  readonly onClose: () => void;
}

/** How exactly a finger places an end, px of the screen. */
const fingerPx = 2.5;
/** How far a known length is taken to be off, m. */
const knownOffM = 0.001;

/** A length in a family's own picture, by something in it whose length they know. */
export function MeasureInIt({ src, label, units, targets, onClose }: MeasureInItProps) {
  const words = useWords().ruler;
  const size = useImageSize(src);
  return (
    <section className="card stacked measure-in-it" aria-label={words.title}>
      <h3 tabIndex={-1} ref={focused}>
        {words.title}
      </h3>
      <p className="small soft">{words.how}</p>
      {size === null ? null : <Measuring key={src} src={src} label={label} size={size} units={units} targets={targets} />}
      <div>
        <button type="button" className="plain" onClick={onClose}>
          {words.close}
        </button>
      </div>
    </section>
  );
}

interface MeasuringProps extends Omit<MeasureInItProps, "onClose"> {
  readonly size: { readonly width: number; readonly height: number };
}

function Measuring({ src, label, size, units, targets }: MeasuringProps) {
  const words = useWords().ruler;
  const id = useId();
  const { lines, move } = useLaidLines(size);
  const [typed, setTyped] = useState("");
  const [depth, setDepth] = useState<PictureDepth>("same");
  const [pointsAPx, setScale] = useState(1);
  const asked = { dimension: "length", defaultUnit: units === "imperial" ? "in" : "cm" } as const;
  const read = typed.trim() === "" ? null : parseQuantity(typed, asked);
  const knownM = read?.ok && read.si > 0 ? read.si : null;
  const length = knownM === null ? null : photoLength({ ...lines, knownM, knownOffM, depth, endOff: fingerPx * pointsAPx });
  const trouble = read === null || knownM !== null ? null : read.ok ? words.needsKnown : refusalWords(read.reason, typed, asked);
  const paper = units === "imperial" ? "11 in" : "29.7 cm";
  return (
    <>
      <PhotoRuler src={src} label={label} {...size} lines={lines} names={words.names} onMove={move} onScale={setScale} />
      <label className="field">
        <span>{words.known}</span>
        <input
          className="typed"
          inputMode="decimal"
          value={typed}
          aria-invalid={trouble !== null}
          aria-describedby={id}
          onChange={(event) => setTyped(event.target.value)}
        />
      </label>
      <div className="buttons">
        <button type="button" className="plain" onClick={() => setTyped(paper)}>
          {words.sheetSide(units === "imperial" ? "Letter" : "A4", paper)}
        </button>
      </div>
      <label className="field">
        <span>{words.depth}</span>
        <select className="typed" value={depth} onChange={(event) => setDepth(event.target.value as PictureDepth)}>
          {pictureDepths.map((one) => (
            <option key={one} value={one}>
              {words.depths[one]}
            </option>
          ))}
        </select>
      </label>
      <div id={id} role="status" className="stacked near">
        {trouble !== null ? <p className="trouble-text">{trouble}</p> : null}
        {typed.trim() === "" ? <p>{words.needsKnown}</p> : null}
        {knownM !== null && length === null ? <p>{words.short}</p> : null}
        {length === null ? null : <Found length={length} units={units} />}
      </div>
      {length === null ? null : (
        <div className="buttons">
          {targets.map(({ words: what, onUse }) => (
            <button key={what} type="button" className="plain lit" onClick={() => onUse(Number(length.si.toPrecision(3)))}>
              {words.takeFor(what)}
            </button>
          ))}
        </div>
      )}
    </>
  );
}

function Found({ length: { si, off, limit, doubts }, units }: { readonly length: PhotoLength; readonly units: UnitChoice }) {
  const words = useWords().ruler;
  const unit = bestUnit(si, "length", units);
  const shown = showQuantity(Number(si.toPrecision(3)), "length", units, unit);
  return (
    <>
      <p>
        <strong>
          {limit === null ? "" : `${words.limits[limit]} `}
          {words.found(shown, showQuantity(Number(off.toPrecision(2)), "length", units, unit))}
        </strong>
      </p>
      {doubts.map((doubt) => (
        <p key={doubt} className="ask small">
          {words.doubts[doubt]}
        </p>
      ))}
    </>
  );
}
