import type { PictureDoc, VersionDoc } from "@lampcrate/contract";
import {
  bestUnit,
  type PhotoLength,
  type PictureDepth,
  photoLength,
  type RulerDoubt,
  showQuantity,
  type UnitChoice,
} from "@lampcrate/core";
import { Modal } from "antd";
import { useState } from "react";
import { PhotoRuler } from "../../shared/pieces/PhotoRuler.tsx";
import { useLaidLines } from "../../shared/pieces/useLaidLines.ts";
import { ChoiceBox } from "../pieces/ChoiceBox.tsx";
import { LengthBox } from "../pieces/LengthBox.tsx";
import { useBriefWork } from "../work/RunContext.ts";
import { type ClaimedLength, claimedLengths } from "./claimedLengths.ts";

interface MeasurePictureProps {
  readonly src: string;
  readonly title: string;
  readonly picture: PictureDoc & { readonly size: NonNullable<PictureDoc["size"]> };
  readonly version: VersionDoc;
  readonly onClose: () => void;
}

/** A picture, large, with a ruler of its own: what is known in it measures what is claimed. */
export function MeasurePicture({ src, title, picture: { size }, version, onClose }: MeasurePictureProps) {
  const { run } = useBriefWork();
  const { lines, move } = useLaidLines(size);
  const [knownM, setKnown] = useState<number | null>(null);
  const [offM, setOff] = useState(0.001);
  const [depth, setDepth] = useState<PictureDepth>("same");
  const [pointsAPx, setScale] = useState(1);
  const length = knownM === null ? null : photoLength({ ...lines, knownM, knownOffM: offM, depth, endOff: handPx * pointsAPx });
  return (
    <Modal open centered width={1120} title={title} footer={null} onCancel={onClose} className="measure-picture">
      <div className="measure-sides">
        <PhotoRuler
          src={src}
          label={title}
          {...size}
          lines={lines}
          names={{ known: "known", claimed: "measured" }}
          onMove={move}
          onScale={setScale}
        />
        <div className="stack near">
          <p className="small soft">
            Lay the dashed line over something whose length you know, such as a ruler, and the other over what is to be measured: drag the
            rings, or Tab to one and use the arrow keys (Shift: ten times as far).
          </p>
          <LengthBox label="The known length" units={run.units} valueM={knownM} onNone={() => setKnown(null)} onChange={setKnown} />
          <LengthBox label="Give or take" units={run.units} valueM={offM} allowNone onChange={setOff} />
          <ChoiceBox label="The known thing is, from the camera," value={depth} options={depths} onChoose={setDepth} />
          <Found known={knownM} length={length} claims={claimedLengths(version, run.brief)} units={run.units} />
        </div>
      </div>
    </Modal>
  );
}

/** How exactly a hand places an end, px of the screen. */
const handPx = 1.5;

const depths = [
  { value: "same", label: "as far as the other" },
  { value: "nearer", label: "nearer" },
  { value: "farther", label: "farther away" },
] as const;

const doubtWords: Readonly<Record<RulerDoubt, string>> = {
  nearer: "What is nearer looks larger: the true length is this or more.",
  farther: "What is farther looks smaller: the true length is this or less.",
  turned: "The lines run in different directions: on a table seen from the side one of them is shortened more.",
  apart: "The lines lie far apart: they may not lie in one plane. Measure beside the ruler if you can.",
};

interface FoundProps {
  readonly known: number | null;
  readonly length: PhotoLength | null;
  readonly claims: readonly ClaimedLength[];
  readonly units: UnitChoice;
}

/** What comes out, how sure it is, and how it stands to what they wrote. */
function Found({ known, length, claims, units }: FoundProps) {
  const show = (metres: number): string => showQuantity(metres, "length", units);
  if (known === null) return <p>Type the known length, and the other follows.</p>;
  if (length === null) return <p>One of the lines is too short to be measured by hand. Draw it out.</p>;
  return (
    <div role="status" className="stack near">
      <p>
        <strong className="measured">
          {length.limit === null ? "" : `${length.limit} `}
          {show(length.si)}
        </strong>{" "}
        give or take {showQuantity(length.off, "length", units, bestUnit(length.si, "length", units))}
      </p>
      {length.doubts.map((doubt) => (
        <p key={doubt} className="flagged small">
          {doubtWords[doubt]}
        </p>
      ))}
      {claims.length === 0 ? null : (
        <ul className="small">
          {claims.map(({ words, si }) => (
            <li key={words}>
              {words} {show(si)}: {agreement(length, si)}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

function agreement({ si, off, limit }: PhotoLength, claimed: number): string {
  const [below, above] = [claimed < si - off, claimed > si + off];
  if ((above && limit !== "at least") || (below && limit !== "at most")) return "the picture says otherwise";
  return "agrees with the picture";
}
