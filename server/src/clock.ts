/** Now, ms since 1970, UTC. The one clock; tests and pictures pin it. */
export type Clock = () => number;

/** The machine's clock, or one pinned to an instant (LAMPCRATE_NOW, an ISO instant): tests and pictures only. */
export function clockFrom(pinned: string | undefined): Clock {
  if (pinned === undefined || pinned === "") return Date.now;
  const at = Date.parse(pinned);
  if (Number.isNaN(at)) throw new Error(`LAMPCRATE_NOW is no instant: ${pinned}`);
  return () => at;
}

/** A clock that only goes forward and that nobody can set, ms from any start: for waits and limits. */
export const steadyClock: Clock = () => performance.now();
