import { useSyncExternalStore } from "react";

/** The header that every answer of the API names the server's build by. */
const buildHeader = "x-lampcrate-build";

let newer = false;
const listeners = new Set<() => void>();

/** The build that this page came with; "" where it isn't known, as while developing. */
const own = (): string => document.querySelector<HTMLMetaElement>('meta[name="build"]')?.content ?? "";

/** Takes note of the build that an answer came from. */
export function noticeBuild(headers: Headers): void {
  const theirs = headers.get(buildHeader) ?? "";
  const now = theirs !== "" && own() !== "" && theirs !== own();
  if (now === newer) return;
  newer = now;
  for (const listener of listeners) listener();
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export const isNewVersion = (): boolean => newer;

/** Whether the server has another build than the one this page came with. */
export const useNewVersion = (): boolean => useSyncExternalStore(subscribe, isNewVersion, () => false);

/** True for the error of a part of the page that could not be fetched, in the words of the three kinds of browser and of the bundler. */
export const isMissingPart = (error: unknown): boolean =>
  error instanceof Error && /dynamically imported module|importing a module script failed|unable to preload/i.test(error.message);
