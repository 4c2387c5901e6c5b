import { useState } from "react";

/** State that survives a reload of this tab, for what has been typed and not saved; null forgets it and starts over. */
export function useKeptState<T>(key: string, start: T): readonly [T, (value: T | null) => void] {
  const [value, setValue] = useState<T>(() => kept<T>(key) ?? start);
  const set = (next: T | null): void => {
    if (next === null) sessionStorage.removeItem(key);
    else sessionStorage.setItem(key, JSON.stringify(next));
    setValue(next ?? start);
  };
  return [value, set];
}

function kept<T>(key: string): T | null {
  const text = sessionStorage.getItem(key);
  if (text === null) return null;
  try {
    return JSON.parse(text) as T;
  } catch {
    return null;
  }
}
