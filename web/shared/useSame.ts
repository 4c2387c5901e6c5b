import { replaceEqualDeep } from "@tanstack/react-query";
import { useRef } from "react";

/** The same object for as long as nothing in it changes, however often it is made anew: what is reckoned from it rests with it. */
export function useSame<Value>(value: Value): Value {
  // Written while rendering: it depends on the values given alone, and a state would paint everything twice.
  const kept = useRef(value);
  kept.current = replaceEqualDeep(kept.current, value);
  return kept.current;
}
