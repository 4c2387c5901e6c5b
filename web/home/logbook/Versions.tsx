import { mostPictures, type SheetDoc, type VersionInput } from "@lampcrate/contract";
import type { NamedToken, Timer } from "@lampcrate/core";
import { useState } from "react";
import { VersionCard } from "../../shared/logbook/VersionCard.tsx";
import { blankVersion } from "../../shared/logbook/versions.ts";
import { useWords } from "../../shared/words/useWords.ts";
import { familyOf } from "../family.ts";
import { FilmTimer } from "../film/FilmTimer.tsx";
import { focused } from "../focused.ts";
import { Pictures } from "../pictures/Pictures.tsx";
import { lengthTargets } from "../ruler/lengthTargets.ts";
import { useKeys } from "./useKeys.ts";

interface VersionsProps {
  readonly sheet: SheetDoc;
  /** Of the entry's private link: its pictures belong to it. */
  readonly secret: string;
  readonly timer: Timer | null;
  /** What they count loads in, by their own names. */
  readonly tokens: readonly NamedToken[];
  readonly versions: readonly VersionInput[];
  readonly onChange: (versions: readonly VersionInput[]) => void;
}

/** The versions one below the other, and the next one to add. */
export function Versions({ sheet, secret, timer, tokens, versions, onChange }: VersionsProps) {
  const words = useWords();
  const { brief } = sheet;
  const family = familyOf(brief, tokens);
  const builds = versions.filter((version) => version.role === "build").length;
  const [taken, setTaken] = useState<{ readonly version: VersionInput; readonly at: number } | null>(null);
  const pictures = versions.reduce((sum, version) => sum + version.pictures.length, 0);
  const keys = useKeys(versions.length);
  const takeOut = (at: number): void => {
    const version = versions[at];
    if (version) setTaken({ version, at });
    keys.takeOut(at);
    onChange(versions.filter((_, i) => i !== at));
  };
  const putBack = ({ version, at }: NonNullable<typeof taken>): void => {
    setTaken(null);
    keys.putIn(at);
    onChange([...versions.slice(0, at), version, ...versions.slice(at)]);
  };
  let number = 0;
  return (
    <>
      {versions.map((version, i) => {
        if (version.role === "build") number += 1;
        const title = version.role === "control" ? words.log.control : words.log.version(number);
        return (
          <VersionCard
            key={keys.list[i]}
            title={title}
            first={number === 1}
            tried={{ family, spec: brief.spec, design: brief.design, units: sheet.units, outcomes: brief.outcomes, timer }}
            version={version}
            removable={version.role === "build" && builds > 1}
            pictures={
              <Pictures
                secret={secret}
                pictures={version.pictures}
                room={mostPictures.entry - pictures}
                units={sheet.units}
                targets={lengthTargets({
                  sheet,
                  family,
                  version,
                  trialWords: words.ruler.trial,
                  onChange: (next) => onChange(versions.map((v, at) => (at === i ? next : v))),
                })}
                onChange={(next) => onChange(versions.map((v, at) => (at === i ? { ...v, pictures: next } : v)))}
              />
            }
            timing={(next, onTime) => <FilmTimer next={next} onTime={onTime} />}
            onChange={(next) => onChange(versions.map((v, at) => (at === i ? next : v)))}
            onRemove={() => takeOut(i)}
          />
        );
      })}
      {taken === null ? null : (
        <p role="status" className="buttons">
          {words.log.takenOut}{" "}
          <button type="button" className="link" ref={focused} onClick={() => putBack(taken)}>
            {words.log.putBack}
          </button>
        </p>
      )}
      {versions.length >= 12 ? null : (
        <div>
          <p>{words.log.another}</p>
          <button
            type="button"
            className="plain"
            onClick={() => onChange([...versions, blankVersion(family, brief, brief.trials, "build", versions.at(-1))])}
          >
            {words.log.add}
          </button>
        </div>
      )}
    </>
  );
}
