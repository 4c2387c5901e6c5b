const key = "lampcrate-letters";

/** Who shows whether letters are large. */
const watchers = new Set<() => void>();

/** Calls `changed` whenever letters are made larger or plain again; gives what ends that. */
export function watchLetters(changed: () => void): () => void {
  watchers.add(changed);
  return () => watchers.delete(changed);
}

/** Whether this device shows large letters. */
export const lettersAreLarge = (): boolean => document.documentElement.dataset["letters"] === "large";

/** Shows the letters as large as this device was told to before. */
export function showLetters(): void {
  try {
    if (localStorage.getItem(key) === "large") document.documentElement.dataset["letters"] = "large";
  } catch {
    // Nothing is remembered where nothing is kept.
  }
}

/** Shows large letters or plain ones, and remembers it. */
export function keepLetters(large: boolean): void {
  if (large) document.documentElement.dataset["letters"] = "large";
  else delete document.documentElement.dataset["letters"];
  try {
    if (large) localStorage.setItem(key, "large");
    else localStorage.removeItem(key);
  } catch {
    // As above.
  }
  for (const changed of watchers) changed();
}
