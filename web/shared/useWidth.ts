import { type RefObject, useLayoutEffect, useRef, useState } from "react";

/** The width of an element in px, followed as it changes; `first` until it is known. */
export function useWidth<Of extends HTMLElement>(first: number): readonly [RefObject<Of | null>, number] {
  const of = useRef<Of>(null);
  const [width, setWidth] = useState(first);
  useLayoutEffect(() => {
    if (!of.current) return;
    const watch = new ResizeObserver(([entry]) => entry && setWidth(Math.round(entry.contentRect.width)));
    watch.observe(of.current);
    setWidth(Math.round(of.current.getBoundingClientRect().width));
    return () => watch.disconnect();
  }, []);
  return [of, width];
}
