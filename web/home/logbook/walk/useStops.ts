import { type RefObject, useCallback, useEffect, useState } from "react";

/** A place of the logbook that one comes to: one thing to do. */
export interface Stop {
  readonly element: HTMLElement;
  readonly label: string;
}

export interface Walk {
  readonly stops: readonly Stop[];
  /** The place of the stop that is in front of one. */
  readonly at: number;
  readonly goTo: (index: number) => void;
}

/** How far down the window a stop may begin and still be the one that is looked at. */
const reach = 0.4;

/** The stops of a page in their order, by `data-stop`, and where one is among them; follows what is added, taken out and scrolled. */
export function useStops(within: RefObject<HTMLElement | null>): Walk {
  const [stops, setStops] = useState<readonly Stop[]>([]);
  const [at, setAt] = useState(0);
  useEffect(() => {
    const page = within.current;
    if (!page) return;
    const look = (): void => setStops((known) => unlessSame(known, stopsIn(page)));
    const watch = new MutationObserver(look);
    watch.observe(page, { childList: true, subtree: true, attributes: true, attributeFilter: ["data-stop"] });
    look();
    return () => watch.disconnect();
  }, [within]);
  useEffect(() => {
    let asked = 0;
    const look = (): void => {
      asked = 0;
      setAt(placeAmong(stops));
    };
    const soon = (): void => {
      asked ||= requestAnimationFrame(look);
    };
    look();
    window.addEventListener("scroll", soon, { passive: true });
    window.addEventListener("resize", soon);
    return () => {
      cancelAnimationFrame(asked);
      window.removeEventListener("scroll", soon);
      window.removeEventListener("resize", soon);
    };
  }, [stops]);
  const goTo = useCallback(
    (index: number): void => {
      const stop = stops[Math.min(stops.length - 1, Math.max(0, index))];
      if (!stop) return;
      const calm = matchMedia("(prefers-reduced-motion: reduce)").matches;
      stop.element.scrollIntoView({ behavior: calm ? "auto" : "smooth", block: "start" });
      // Readers and keys go on from there.
      stop.element.focus({ preventScroll: true });
    },
    [stops],
  );
  return { stops, at, goTo };
}

function stopsIn(page: HTMLElement): readonly Stop[] {
  // One with nothing in it stands nowhere.
  const shown = [...page.querySelectorAll<HTMLElement>("[data-stop]")].filter((element) => element.childElementCount > 0);
  return shown.map((element) => ({ element, label: element.dataset["stop"] ?? "" }));
}

function unlessSame(known: readonly Stop[], now: readonly Stop[]): readonly Stop[] {
  const same = known.length === now.length && known.every((stop, i) => stop.element === now[i]?.element && stop.label === now[i]?.label);
  return same ? known : now;
}

/** The last stop that has come up to where one looks; the very end of the page is the last one. */
function placeAmong(stops: readonly Stop[]): number {
  const page = document.documentElement;
  if (window.scrollY > 0 && window.scrollY + window.innerHeight >= page.scrollHeight - 2) return Math.max(0, stops.length - 1);
  const line = reach * window.innerHeight;
  const before = stops.filter(({ element }) => element.getBoundingClientRect().top <= line).length;
  return Math.max(0, before - 1);
}
