import { Lamp, type LampState } from "./Lamp.tsx";

const lamps: readonly (readonly [LampState, string])[] = [
  ["done", "session held"],
  ["next", "next session"],
  ["to come", "to come"],
];

/** What the signs on the wires mean. */
export function Legend() {
  return (
    <p className="season-legend" aria-hidden="true">
      {lamps.map(([state, words]) => (
        <span key={state}>
          <svg width="32" height="22" aria-hidden="true">
            <Lamp x={16} y={2} state={state} words={words} />
          </svg>
          {words}
        </span>
      ))}
      <span>
        <svg width="32" height="22" aria-hidden="true">
          <path d="M1 12h30" className="wire preparing" />
        </svg>
        preparing
      </span>
      <span>
        <svg width="32" height="22" aria-hidden="true">
          <rect x="1" y="8" width="30" height="7" className="entries open" />
        </svg>
        open for entries
      </span>
      <span>
        <svg width="12" height="22" aria-hidden="true">
          <path d="M6 5v13" className="remind" />
        </svg>
        remind families
      </span>
      <span>
        <svg width="32" height="22" aria-hidden="true">
          <rect x="1" y="8" width="30" height="7" className="sifting" />
        </svg>
        sifting
      </span>
    </p>
  );
}
