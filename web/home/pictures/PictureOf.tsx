import { useOwnPicture } from "./useOwnPicture.ts";

interface PictureOfProps {
  readonly id: string;
  /** Of its entry's private link. */
  readonly secret: string;
  readonly label: string;
}

/** One of a family's own pictures: from this device, or from the house by their private link. */
export function PictureOf({ id, secret, label }: PictureOfProps) {
  const address = useOwnPicture(id, secret);
  return address === null ? <span className="picture-none">{label}</span> : <img src={address} alt={label} />;
}
