type Save = () => Promise<unknown>;

const saves = new Set<Save>();

/** Has a draft saved before the page is loaded anew. Returns what ends that, with a last save that is still waited for. */
export function savedBeforeReload(save: Save): () => void {
  saves.add(save);
  return () => {
    saves.delete(save);
    const last = save();
    const waiting = (): Promise<unknown> => last;
    saves.add(waiting);
    void last.finally(() => saves.delete(waiting));
  };
}

/** Saves every open draft, then loads the page anew. */
export async function reload(): Promise<void> {
  await Promise.allSettled([...saves].map((save) => save()));
  location.reload();
}
