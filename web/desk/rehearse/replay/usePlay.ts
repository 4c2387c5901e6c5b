import { useEffect, useState } from "react";
import { useMedia } from "../../../shared/useMedia.ts";

/** A minute of the day goes by in so many ms. */
const msPerMinute = 110;

/** The minute that is looked at; it runs while it plays, unless less motion is asked for: then it is moved by hand alone. */
export function usePlay(until: number) {
  const still = useMedia("(prefers-reduced-motion: reduce)");
  const [minute, setMinute] = useState(0);
  const [playing, setPlaying] = useState(false);
  useEffect(() => {
    if (!playing) return;
    let frame = 0;
    let last = performance.now();
    const run = (now: number): void => {
      const passed = (now - last) / msPerMinute;
      last = now;
      setMinute((was) => Math.min(until, was + passed));
      frame = requestAnimationFrame(run);
    };
    frame = requestAnimationFrame(run);
    return () => cancelAnimationFrame(frame);
  }, [playing, until]);
  useEffect(() => {
    if (minute >= until) setPlaying(false);
  }, [minute, until]);
  const play = (): void => {
    if (minute >= until) setMinute(0);
    setPlaying(true);
  };
  return { minute: Math.min(minute, until), setMinute, playing, canPlay: !still, play, pause: () => setPlaying(false) };
}
