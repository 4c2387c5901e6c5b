const key = "lampcrate-letters";

/** Whether this device shows large letters. */
export const lettersAreLarge = (): boolean => typeof document !== "undefined" && document.documentElement.dataset["letters"] === "large";

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
}
