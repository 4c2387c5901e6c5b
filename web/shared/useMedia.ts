import { useCallback, useSyncExternalStore } from "react";

/** Whether a media query holds, and follows when it changes. */
export function useMedia(query: string): boolean {
  const listen = useCallback(
    (tell: () => void) => {
      const media = matchMedia(query);
      media.addEventListener("change", tell);
      return () => media.removeEventListener("change", tell);
    },
    [query],
  );
  return useSyncExternalStore(listen, () => matchMedia(query).matches);
}
