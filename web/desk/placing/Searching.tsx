import type { PlacingStep } from "@lampcrate/core";
import { Spin } from "antd";
import { useEffect, useState } from "react";
import { Button } from "../pieces/Button.tsx";

const words: Readonly<Record<PlacingStep["doing"], (found: number) => string>> = {
  wishes: () => "Looking for a plan that nothing beats",
  slots: () => "Looking for the earliest of the best plans",
  "what must give": (found) =>
    found === 0 ? "They don't all fit. Looking for what must give" : `They don't all fit. ${ways(found)} found so far; looking for others`,
  why: (found) => `Looking for the smallest set that can't hold together; ${ways(found)} out of it known`,
};

const ways = (found: number): string => (found === 1 ? "1 way" : `${found} ways`);

/** A search under way: what it looks for, since when, and how to stop it. */
export function Searching({ step, onStop }: { readonly step: PlacingStep; readonly onStop: () => void }) {
  const [seconds, setSeconds] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setSeconds((s) => s + 1), 1000);
    return () => clearInterval(timer);
  }, []);
  return (
    <section className="sheet pad row spread" aria-label="Search">
      <p className="row" role="status">
        <Spin size="small" /> {words[step.doing](step.found)}.
      </p>
      <span className="row">
        <span className="soft" aria-hidden>
          {seconds} s
        </span>
        <Button onClick={onStop}>Stop</Button>
      </span>
    </section>
  );
}
