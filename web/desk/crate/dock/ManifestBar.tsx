import type { ManifestLine } from "@lampcrate/core";

/** What a quantity is made of: first build, rebuilds, spoilt, to be sure; a tick for what is on hand. */
export function ManifestBar({ line, onHand, words }: { readonly line: ManifestLine; readonly onHand: number; readonly words: string }) {
  const most = Math.max(line.quantity, onHand * Math.min(1, 1.15), 1e-9) * 1.02;
  const full = Math.min(most, Math.max(line.quantity * 1.35, 1e-9));
  const x = (amount: number): number => Math.min(100, (100 * amount) / full);
  const parts = [
    { amount: line.base, fill: "var(--settled)", mark: null },
    { amount: line.rebuild, fill: "var(--settled-mid)", mark: "url(#bar-rebuild)" },
    { amount: line.spoilt, fill: "var(--sand)", mark: "url(#bar-spoilt)" },
    { amount: Math.max(0, line.certainty), fill: "var(--lamp)", mark: null },
  ];
  let from = 0;
  return (
    <svg width="100%" height="13" role="img" aria-label={words} className="bar-line">
      {parts.map((part) => {
        const start = from;
        from = Math.min(line.quantity, from + part.amount);
        const width = Math.max(0, x(from) - x(start));
        return width <= 0 ? null : (
          <g key={part.fill}>
            <rect x={`${x(start)}%`} y="1" width={`${width}%`} height="10" fill={part.fill} stroke="var(--ink)" strokeWidth="0.8" />
            {part.mark === null ? null : <rect x={`${x(start)}%`} y="1" width={`${width}%`} height="10" fill={part.mark} />}
          </g>
        );
      })}
      <rect x={`${Math.min(99.4, x(onHand))}%`} y="0" width="2.6" height="13" fill="var(--ink)" />
    </svg>
  );
}

/** The bar's marks, once a page, so that its parts differ by more than colour. */
export function BarMarks() {
  return (
    <svg width="0" height="0" aria-hidden="true" className="bar-marks">
      <defs>
        <pattern id="bar-rebuild" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0v5" stroke="var(--ink)" strokeWidth="0.9" />
        </pattern>
        <pattern id="bar-spoilt" width="4" height="4" patternUnits="userSpaceOnUse">
          <circle cx="2" cy="2" r="0.9" fill="var(--ink)" />
        </pattern>
      </defs>
    </svg>
  );
}

/** What the bar's parts are called. */
export function BarLegend() {
  const parts = [
    ["var(--settled)", "first build"],
    ["var(--settled-mid)", "rebuilds"],
    ["var(--sand)", "spoilt"],
    ["var(--lamp)", "to be sure"],
  ] as const;
  return (
    <div className="legend">
      {parts.map(([fill, words], i) => (
        <span key={words}>
          <i
            style={{
              background:
                i === 1
                  ? `repeating-linear-gradient(45deg, ${fill} 0 2px, var(--ink) 2px 3px)`
                  : i === 2
                    ? `radial-gradient(var(--ink) 22%, ${fill} 26%) 0 0 / 4px 4px`
                    : fill,
            }}
          />
          {words}
        </span>
      ))}
      <span>
        <i className="on-hand" />
        on hand
      </span>
    </div>
  );
}
