import { useEffect, useState } from "react";

/** A value once it has not changed for a while: for what nobody reads while a dial is being dragged. */
export function useRested<T>(value: T, restMs: number): T {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setRested(value), restMs);
    return () => clearTimeout(timer);
  }, [value, restMs]);
  return rested;
}
