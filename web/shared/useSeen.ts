import { type RefObject, useEffect, useRef, useState } from "react";

/** True while an element is in sight, or nearly: what nobody looks at need not be drawn. True where that can't be told. */
export function useSeen<Of extends HTMLElement>(): readonly [RefObject<Of | null>, boolean] {
  const of = useRef<Of>(null);
  const [seen, setSeen] = useState(typeof IntersectionObserver === "undefined");
  useEffect(() => {
    if (!of.current || typeof IntersectionObserver === "undefined") return;
    const watch = new IntersectionObserver(([entry]) => setSeen(entry?.isIntersecting ?? true), { rootMargin: "160px" });
    watch.observe(of.current);
    return () => watch.disconnect();
  }, []);
  return [of, seen];
}
