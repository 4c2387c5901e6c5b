import "../pieces/fold.css";
import { otherLanguages } from "./OtherLanguage.tsx";

const parts = [
  ["goal", "Goal"],
  ["reach", "Reach"],
  ["shows", "What a trial shows"],
  ["tiers", "Tiers"],
  ["plain-build", "Plain build"],
  ["cautions", "Cautions"],
  ["rules", "Rules"],
  ["hints", "Hints"],
  ["story", "Story and test"],
  ...otherLanguages.slice(0, 1).map((id) => [`in-${id}`, "In other languages"] as const),
] as const;

/** The parts of a long brief, always in reach. */
export function Jumps() {
  return (
    <nav className="jumps no-print" aria-label="Parts of the brief">
      {parts.map(([at, words]) => (
        <a key={at} href={`#${at}`}>
          {words}
        </a>
      ))}
    </nav>
  );
}
