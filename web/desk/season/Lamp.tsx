export type LampState = "done" | "next" | "to come";

/** A session on its wire: a ticked square base when held, a lit lamp when next, an empty one when to come. Shapes differ, not only fills. */
export function Lamp({
  x,
  y,
  state,
  words,
}: {
  readonly x: number;
  readonly y: number;
  readonly state: LampState;
  readonly words: string;
}) {
  const bulb = "M-7 7a7 7 0 1 1 14 0c0 4-3 5-3.4 8h-7.2c-.4-3-3.4-4-3.4-8z";
  return (
    <g transform={`translate(${x} ${y})`} className="lamp">
      <title>{words}</title>
      <path d="M0-1v3" stroke="var(--ink)" strokeWidth="1.4" />
      {state === "done" ? (
        <>
          <path d="M-6.5 2h13v13h-13z" fill="var(--settled)" stroke="var(--ink)" strokeWidth="1.1" />
          <path d="M-3.4 8.6l2.5 2.6 4.4-5" stroke="var(--sheet)" strokeWidth="2" fill="none" />
        </>
      ) : (
        <>
          <path d={bulb} fill={state === "next" ? "var(--lamp)" : "var(--sheet)"} stroke="var(--ink)" strokeWidth="1.4" />
          <path d="M-3.4 16.6h6.8" stroke="var(--ink)" strokeWidth="2" />
          {state === "next" ? <path d="M-12 7h-3M12 7h3M-9-2l-2-2M9-2l2-2" stroke="var(--lamp-deep)" strokeWidth="1.6" /> : null}
        </>
      )}
    </g>
  );
}
