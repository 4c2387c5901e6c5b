import { MeasureInIt, type MeasureInItProps } from "../ruler/MeasureInIt.tsx";
import { useOwnPicture } from "./useOwnPicture.ts";

interface MeasuredProps extends Omit<MeasureInItProps, "src"> {
  readonly id: string;
  /** Of its entry's private link. */
  readonly secret: string;
}

/** One of their pictures with a ruler over it. */
export function Measured({ id, secret, ...rest }: MeasuredProps) {
  const src = useOwnPicture(id, secret);
  return src === null ? null : <MeasureInIt src={src} {...rest} />;
}
