import "../pieces/fold.css";

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
  ["in-es", "In other languages"],
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
