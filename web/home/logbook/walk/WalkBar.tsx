import type { RefObject } from "react";
import { useWords } from "../../../shared/words/useWords.ts";
import { useStops } from "./useStops.ts";
import "./walk.css";

/** On a phone: one thing at a time, the next one under the thumb, and every other one a tap away. */
export function WalkBar({ within }: { readonly within: RefObject<HTMLElement | null> }) {
  const words = useWords().walk;
  const { stops, at, goTo } = useStops(within);
  if (stops.length < 2) return null;
  return (
    <nav className="walk" aria-label={words.title}>
      <button type="button" className="plain" disabled={at === 0} onClick={() => goTo(at - 1)}>
        {words.back}
      </button>
      <label>
        <span className="small soft">{words.place(at + 1, stops.length)}</span>
        <select aria-label={words.goTo} value={at} onChange={(event) => goTo(Number(event.target.value))}>
          {stops.map(({ label }, i) => (
            <option key={`${i} ${label}`} value={i}>
              {label}
            </option>
          ))}
        </select>
      </label>
      <button type="button" className="plain lit" disabled={at === stops.length - 1} onClick={() => goTo(at + 1)}>
        {words.next}
      </button>
    </nav>
  );
}
