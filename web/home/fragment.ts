import { useSyncExternalStore } from "react";

/** The secret of a private link, from the address's fragment, which no server ever sees. Another link in the same tab changes the fragment alone. */
export const useFragment = (): string => useSyncExternalStore(onFragment, () => location.hash.slice(1));

function onFragment(heard: () => void): () => void {
  window.addEventListener("hashchange", heard);
  return () => window.removeEventListener("hashchange", heard);
}
