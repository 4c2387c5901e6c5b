import { lazy, Suspense } from "react";
import type { MeasureInItProps } from "../ruler/MeasureInIt.tsx";
import { useOwnPicture } from "./useOwnPicture.ts";

const MeasureInIt = lazy(async () => ({ default: (await import("../ruler/MeasureInIt.tsx")).MeasureInIt }));

interface MeasuredProps extends Omit<MeasureInItProps, "src"> {
  readonly id: string;
  /** Of its entry's private link. */
  readonly secret: string;
}

/** One of their pictures with a ruler over it, fetched when it is first opened. */
export function Measured({ id, secret, ...rest }: MeasuredProps) {
  const src = useOwnPicture(id, secret);
  return src === null ? null : (
    <Suspense fallback={null}>
      <MeasureInIt src={src} {...rest} />
    </Suspense>
  );
}
