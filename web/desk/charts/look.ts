/** How every chart looks: hairlines, our letters, one amber for what was chosen. */
const letters = { fontSize: 12.5, fill: "var(--soft)" } as const;

export const axis = { tick: letters, tickLine: false, axisLine: { stroke: "var(--ink)" } } as const;
/** An axis whose numbers stand beside hairlines of their own. */
export const quietAxis = { ...axis, axisLine: false } as const;
export const grid = { stroke: "var(--rule)" } as const;
export const axisTitle = (value: string) => ({ value, position: "insideBottom", offset: -4, ...letters }) as const;
export const tooltip = {
  contentStyle: {
    background: "var(--sheet)",
    border: "1px solid var(--soft)",
    borderRadius: "var(--radius)",
    padding: "4px 10px",
    fontSize: 13,
    color: "var(--ink)",
  },
  itemStyle: { color: "var(--ink)" },
  labelStyle: { color: "var(--soft)" },
  cursor: { stroke: "var(--soft)", strokeDasharray: "3 3", fill: "var(--glow)", fillOpacity: 0.4 },
  isAnimationActive: false,
} as const;
/** Nothing grows or slides in: a chart that follows a dial is there at once. */
export const still = { isAnimationActive: false } as const;
export const curve = { ...still, type: "linear", stroke: "var(--settled)", strokeWidth: 2.6, dot: false } as const;
export const settledSteps = { ...still, type: "step", fill: "var(--settled)", fillOpacity: 1, stroke: "none" } as const;
export const chosen = { stroke: "var(--lamp)", strokeWidth: 3.4 } as const;
export const heldBeside = { stroke: "var(--lamp-deep)", strokeWidth: 2, strokeDasharray: "5 3" } as const;
/** Spot letters in ink on a halo of paper. */
export const spot = { fontSize: 12.5, fontWeight: 700, fill: "var(--ink)", className: "halo" } as const;
