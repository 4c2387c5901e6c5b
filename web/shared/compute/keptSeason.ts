import type { SeasonCertainty, SeasonCrate } from "@lampcrate/core";
import { clear, createStore, get, set, type UseStore } from "idb-keyval";

/**
 * What was last sized on this device, by everything that it depends on: the same input gives the same crates, so most of a
 * season need not be drawn again after a change of one run. A browser that keeps nothing sizes it all anew.
 */
let store: UseStore | null = null;
const kept = (): UseStore => {
  store ??= createStore("lampcrate-season", "sized");
  return store;
};

async function orNothing<Value>(work: () => Promise<Value>): Promise<Value | undefined> {
  try {
    return await work();
  } catch {
    return undefined;
  }
}

/** The crates that were last asked for. */
export async function keptCrates(): Promise<ReadonlyMap<string, SeasonCrate>> {
  const found = await orNothing(() => get<ReadonlyMap<string, SeasonCrate>>("crates", kept()));
  return found instanceof Map ? found : new Map();
}

/** Keeps these crates and none that were kept before. */
export async function keepCrates(crates: ReadonlyMap<string, SeasonCrate>): Promise<void> {
  await orNothing(() => set("crates", crates, kept()));
}

interface KeptCertainty {
  readonly key: string;
  readonly certainty: SeasonCertainty;
}

/** How sure the season was, when it was this one; null otherwise. */
export async function keptCertainty(key: string): Promise<SeasonCertainty | null> {
  const found = await orNothing(() => get<KeptCertainty>("certainty", kept()));
  return found?.key === key ? found.certainty : null;
}

export async function keepCertainty(key: string, certainty: SeasonCertainty): Promise<void> {
  await orNothing(() => set("certainty", { key, certainty } satisfies KeptCertainty, kept()));
}

/** Leaves nothing on the device: whoever signs out may not be the last to use it. */
export async function forgetSeason(): Promise<void> {
  await orNothing(() => clear(kept()));
}
