import type { CrateInput, Manifest } from "@lampcrate/core";
import { useEffect, useRef, useState } from "react";
import { CrateDoor } from "../../shared/compute/crateDoor.ts";

/** The crate as last sized; `slow` when the newest sizing has taken over half a second. */
export interface Crate {
  readonly manifest: Manifest | null;
  readonly slow: boolean;
}

/** Sizes the crate in the worker whenever its input changes; the newest input wins. */
export function useCrate(input: CrateInput): Crate {
  const door = useRef<CrateDoor | null>(null);
  const [manifest, setManifest] = useState<Manifest | null>(null);
  const [slow, setSlow] = useState(false);
  const key = JSON.stringify(input);
  useEffect(() => {
    const asked = performance.now();
    const timer = setTimeout(() => setSlow(true), 500);
    door.current ??= new CrateDoor();
    door.current.size(JSON.parse(key) as CrateInput, (sized) => {
      clearTimeout(timer);
      setSlow(false);
      setManifest(sized.manifest);
      performance.measure("crate", { start: asked, end: performance.now(), detail: { tookMs: sized.tookMs } });
    });
    return () => clearTimeout(timer);
  }, [key]);
  useEffect(
    () => () => {
      door.current?.close();
      door.current = null;
    },
    [],
  );
  return { manifest, slow };
}
