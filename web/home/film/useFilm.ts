import { type RefObject, useEffect, useRef, useState } from "react";
import { canStep, Frames } from "./frames.ts";

/** What can be marked in a film. */
export type Mark = "letGo" | "touch";

export interface Film {
  readonly video: RefObject<HTMLVideoElement | null>;
  /** Its address in memory; null while none is chosen. */
  readonly src: string | null;
  readonly trouble: "unreadable" | "no frames" | "cannot step" | null;
  /** The time of the frame that is shown, s; null until there is one. */
  readonly now: number | null;
  readonly duration: number;
  readonly busy: boolean;
  readonly marks: Readonly<Record<Mark, number | null>>;
  /** How far frames lie apart, s. */
  readonly frameS: number;
  readonly choose: (file: File | null) => void;
  readonly ready: () => void;
  readonly failed: () => void;
  readonly step: (frames: number) => void;
  readonly goTo: (seconds: number) => void;
  readonly mark: (mark: Mark) => void;
}

type Jump = (film: Frames, from: number) => Promise<number>;

const unmarked = { letGo: null, touch: null } as const;

/** A film from the device, one frame at a time. It is looked at here alone: nothing of it is sent or kept. */
export function useFilm(): Film {
  const video = useRef<HTMLVideoElement>(null);
  const frames = useRef<Frames | null>(null);
  const [src, setSrc] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<Film["trouble"]>(null);
  const [now, setNow] = useState<number | null>(null);
  const [duration, setDuration] = useState(0);
  const [busy, setBusy] = useState(false);
  const [marks, setMarks] = useState<Film["marks"]>(unmarked);
  const [frameS, setFrameS] = useState(1 / 30);
  useEffect(() => (src === null ? undefined : () => URL.revokeObjectURL(src)), [src]);
  /** Jumps that wait: of those asked for while one goes on, the last alone. */
  const jumping = useRef<{ going: boolean; next: Jump | null }>({ going: false, next: null });
  /** One jump after the other: a second one would run into the first. */
  const inTurn = async (first: Jump): Promise<void> => {
    const film = frames.current;
    if (!film) return;
    if (jumping.current.going) {
      jumping.current.next = first;
      return;
    }
    jumping.current.going = true;
    setBusy(true);
    let from = now ?? 0;
    for (let jump: Jump | null = first; jump; jump = jumping.current.next) {
      jumping.current.next = null;
      from = await jump(film, from);
      setNow(from);
    }
    jumping.current.going = false;
    setFrameS(film.frameS());
    setBusy(false);
  };
  return {
    video,
    src,
    trouble,
    now,
    duration,
    busy,
    marks,
    frameS,
    choose: (file) => {
      frames.current = null;
      setTrouble(file && !canStep() ? "cannot step" : null);
      setNow(null);
      setMarks(unmarked);
      setSrc(file && canStep() ? URL.createObjectURL(file) : null);
    },
    ready: () => {
      const film = video.current;
      if (!film) return;
      if (film.videoWidth === 0 || !(film.duration > 0) || !Number.isFinite(film.duration)) {
        setTrouble(film.videoWidth === 0 ? "no frames" : "unreadable");
        setSrc(null);
        return;
      }
      frames.current = new Frames(film);
      setDuration(film.duration);
      void inTurn((of) => of.at(0));
    },
    failed: () => {
      setTrouble("unreadable");
      setSrc(null);
    },
    step: (count) =>
      void inTurn(async (film, from) => {
        let at = from;
        for (let i = 0; i < Math.abs(count); i += 1) at = await (count > 0 ? film.after(at) : film.before(at));
        return at;
      }),
    goTo: (seconds) => void inTurn((film) => film.at(seconds)),
    mark: (mark) => setMarks((before) => ({ ...before, [mark]: now })),
  };
}
