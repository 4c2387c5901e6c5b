import { replaceEqualDeep } from "@tanstack/react-query";
import { useState } from "react";

/** The same object for as long as nothing in it changes, however often it is made anew: what is reckoned from it rests with it. */
export function useSame<Value>(value: Value): Value {
  const [kept, setKept] = useState(value);
  const same = replaceEqualDeep(kept, value);
  if (same !== kept) setKept(same);
  return same;
}
