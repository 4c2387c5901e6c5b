import { useState } from "react";
import { useFrames } from "../../../shared/useFrames.ts";
import { useMedia } from "../../../shared/useMedia.ts";

/** A minute of the day goes by in so many ms. */
const msPerMinute = 110;

/** The minute that is looked at; it runs while it plays, unless less motion is asked for: then it is moved by hand alone. */
export function usePlay(until: number) {
  const still = useMedia("(prefers-reduced-motion: reduce)");
  const [minute, setMinute] = useState(0);
  const [playing, setPlaying] = useState(false);
  useFrames(playing, (passedMs) => {
    const next = Math.min(until, minute + passedMs / msPerMinute);
    setMinute(next);
    if (next >= until) setPlaying(false);
  });
  const play = (): void => {
    if (minute >= until) setMinute(0);
    setPlaying(true);
  };
  return { minute: Math.min(minute, until), setMinute, playing, canPlay: !still, play, pause: () => setPlaying(false) };
}
