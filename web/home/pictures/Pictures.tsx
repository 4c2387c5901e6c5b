import { mostPictures, type PictureInput, type PictureKind, pictureKinds } from "@lampcrate/contract";
import type { UnitChoice } from "@lampcrate/core";
import { nanoid } from "nanoid";
import { useRef, useState } from "react";
import { useWords } from "../../shared/words/useWords.ts";
import type { LengthTarget } from "../ruler/lengthTargets.ts";
import { putPicture } from "./album.ts";
import { Measured } from "./Measured.tsx";
import { PictureOf } from "./PictureOf.tsx";
import "./pictures.css";
import { shrink } from "./shrink.ts";

interface PicturesProps {
  /** Of the entry's private link. */
  readonly secret: string;
  readonly pictures: readonly PictureInput[];
  /** How many more the whole entry takes. */
  readonly room: number;
  readonly units: UnitChoice;
  /** What a length found in one of them may be used for. */
  readonly targets: readonly LengthTarget[];
  readonly onChange: (pictures: readonly PictureInput[]) => void;
}

/** Pictures of one version: of the sketch, of the build. Each is made small on the device and stays there until it is sent. */
export function Pictures({ secret, pictures, room, units, targets, onChange }: PicturesProps) {
  const words = useWords().pictures;
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [measured, setMeasured] = useState<string | null>(null);
  const [taken, setTaken] = useState<PictureInput | null>(null);
  // A picture is ready only after a while: it goes to what stands there then.
  const now = useRef({ pictures, onChange });
  now.current = { pictures, onChange };
  const add = async (kind: PictureKind, file: File): Promise<void> => {
    setBusy(true);
    setTaken(null);
    const wrong = await keep(kind, file);
    setTrouble(wrong);
    setBusy(false);
  };
  const keep = async (kind: PictureKind, file: File): Promise<string | null> => {
    const shrunk = await shrink(file);
    if (!shrunk.ok) return words.trouble[shrunk.trouble];
    const id = nanoid(24);
    try {
      await putPicture(id, shrunk.picture, secret);
    } catch {
      return words.notKept;
    }
    now.current.onChange([...now.current.pictures, { id, kind }]);
    return null;
  };
  const full = pictures.length >= mostPictures.version || room <= 0;
  return (
    <div className="pictures" role="group" aria-label={words.title}>
      {pictures.map((picture, i) => (
        <figure key={picture.id}>
          <PictureOf id={picture.id} secret={secret} label={words.alt[picture.kind](i + 1)} />
          <figcaption className="small">
            {words.kinds[picture.kind]}{" "}
            <button
              type="button"
              className="link"
              aria-label={words.takeOutOf(words.alt[picture.kind](i + 1))}
              onClick={() => {
                setTaken(picture);
                onChange(pictures.filter(({ id }) => id !== picture.id));
              }}
            >
              {words.takeOut}
            </button>{" "}
            <OpenRuler label={words.alt[picture.kind](i + 1)} onOpen={() => setMeasured(picture.id)} />
          </figcaption>
        </figure>
      ))}
      {full ? null : pictureKinds.map((kind) => <Chooser key={kind} kind={kind} busy={busy} onFile={(file) => void add(kind, file)} />)}
      <p role="status" className="small soft says">
        {busy ? words.making : full && pictures.length > 0 ? words.full : ""}
      </p>
      {pictures.length > 0 ? <p className="small soft">{words.faces}</p> : null}
      {pictures.map(({ id, kind }, i) =>
        id === measured ? (
          <Measured
            key={id}
            id={id}
            secret={secret}
            label={words.alt[kind](i + 1)}
            units={units}
            targets={targets}
            onClose={() => setMeasured(null)}
          />
        ) : null,
      )}
      {taken === null ? null : (
        <p className="buttons small">
          {words.takenOut}{" "}
          <button
            type="button"
            className="link"
            onClick={() => {
              setTaken(null);
              onChange([...pictures, taken]);
            }}
          >
            {words.putBack}
          </button>
        </p>
      )}
      {trouble === null ? null : (
        <p role="alert" className="ask">
          {trouble}
        </p>
      )}
    </div>
  );
}

function OpenRuler({ label, onOpen }: { readonly label: string; readonly onOpen: () => void }) {
  const words = useWords().ruler;
  return (
    <button type="button" className="link" aria-label={words.openOf(label)} onClick={onOpen}>
      {words.open}
    </button>
  );
}

/** A button that opens the phone's camera or its pictures. */
function Chooser({ kind, busy, onFile }: { readonly kind: PictureKind; readonly busy: boolean; readonly onFile: (file: File) => void }) {
  const words = useWords().pictures;
  return (
    <label className="plain chooser">
      <input
        type="file"
        accept="image/*"
        disabled={busy}
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          // The same one may be chosen again after it was taken out.
          target.value = "";
          if (file) onFile(file);
        }}
      />
      {words.add[kind]}
    </label>
  );
}
