import { useRef } from "react";

/** Keys for a list whose items have no names of their own: an item keeps its key when one before it is taken out. */
export function useKeys(length: number) {
  const kept = useRef<{ readonly list: number[]; next: number }>({ list: [], next: 0 });
  const { list } = kept.current;
  const fresh = (): number => {
    kept.current.next += 1;
    return kept.current.next;
  };
  // Another list of another length was put in place, or one was added at its end.
  while (list.length < length) list.push(fresh());
  list.length = length;
  return {
    list: list as readonly number[],
    takeOut: (at: number): void => void list.splice(at, 1),
    putIn: (at: number): void => void list.splice(at, 0, fresh()),
  };
}
