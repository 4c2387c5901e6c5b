import { type RefObject, useEffect, useRef, useState } from "react";
import type { FilmTrouble, Frames } from "./frames.ts";
import { frameAt, gapAround } from "./nearest.ts";

/** What can be marked in a film. */
export type Mark = "letGo" | "touch";

export interface Film {
  /** Where its frames are drawn. */
  readonly canvas: RefObject<HTMLCanvasElement | null>;
  readonly chosen: boolean;
  readonly trouble: FilmTrouble | null;
  /** The time of the frame that is shown, s; null until there is one. */
  readonly now: number | null;
  /** When its first and last frames are shown, s. */
  readonly ends: readonly [number, number];
  readonly busy: boolean;
  readonly marks: Readonly<Record<Mark, number | null>>;
  /** How far frames lie apart where it was marked, s: the longest gap. */
  readonly frameS: number;
  readonly choose: (file: File | null) => void;
  readonly step: (frames: number) => void;
  readonly goTo: (seconds: number) => void;
  readonly mark: (mark: Mark) => void;
}

type MarkedFrames = Readonly<Record<Mark, number | null>>;
const unmarked: MarkedFrames = { letGo: null, touch: null };
const nothing: readonly number[] = [];

/** A film from the device, one frame at a time. It is looked at here alone: nothing of it is sent or kept. */
export function useFilm(): Film {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [file, setFile] = useState<File | null>(null);
  const [frames, setFrames] = useState<Frames | null>(null);
  const [trouble, setTrouble] = useState<FilmTrouble | null>(null);
  /** The frame that is wanted, and the one that is drawn. */
  const [wanted, setWanted] = useState(0);
  const [shown, setShown] = useState<number | null>(null);
  const [marked, setMarked] = useState(unmarked);
  useEffect(() => {
    if (file === null) return;
    let [gone, opened]: [boolean, Frames | null] = [false, null];
    const open = async (): Promise<void> => {
      const found = await import("./frames.ts").then(({ openFilm }) => openFilm(file)).catch(() => "unreadable" as const);
      if (typeof found === "string") {
        if (!gone) setTrouble(found);
        return;
      }
      opened = found;
      if (gone) opened.close();
      else setFrames(opened);
    };
    void open();
    return () => {
      gone = true;
      opened?.close();
    };
  }, [file]);
  // One frame after the other: of those asked for while one is decoded, the last alone is drawn.
  useEffect(() => {
    if (frames === null || canvas.current === null || shown === wanted) return;
    const stop = new AbortController();
    frames.draw(wanted, canvas.current, stop.signal).then(
      () => !stop.signal.aborted && setShown(wanted),
      () => !stop.signal.aborted && setTrouble("unreadable"),
    );
    return () => stop.abort();
  }, [frames, wanted, shown]);
  const times = frames?.times ?? nothing;
  const timeOf = (frame: number | null): number | null => (frame === null ? null : (times[frame] ?? null));
  return {
    canvas,
    chosen: file !== null && trouble === null,
    trouble,
    now: timeOf(shown),
    ends: [times[0] ?? 0, times.at(-1) ?? 0],
    busy: shown !== wanted,
    marks: { letGo: timeOf(marked.letGo), touch: timeOf(marked.touch) },
    frameS: Math.max(...[marked.letGo, marked.touch].map((frame) => (frame === null ? 0 : gapAround(times, frame)))),
    choose: (next) => {
      setFrames(null);
      setTrouble(null);
      setWanted(0);
      setShown(null);
      setMarked(unmarked);
      setFile(next);
    },
    step: (count) => setWanted((from) => Math.min(Math.max(0, times.length - 1), Math.max(0, from + count))),
    goTo: (seconds) => setWanted(frameAt(times, seconds)),
    mark: (mark) => setMarked((before) => ({ ...before, [mark]: shown })),
  };
}
