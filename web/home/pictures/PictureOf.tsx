import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { pictureHere } from "./album.ts";

interface PictureOfProps {
  readonly id: string;
  /** Of its entry's private link. */
  readonly secret: string;
  readonly label: string;
}

/** One of a family's own pictures: from this device, or from the house by their private link. */
export function PictureOf({ id, secret, label }: PictureOfProps) {
  const found = useQuery({
    queryKey: ["own picture", id],
    queryFn: async () => (await pictureHere(id)) ?? (await fromHouse(id, secret)),
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  const address = useAddress(found.data ?? null);
  return address === null ? <span className="picture-none">{label}</span> : <img src={address} alt={label} />;
}

/** An address for a picture in memory, for as long as it is shown. */
function useAddress(picture: Blob | null): string | null {
  const [address, setAddress] = useState<string | null>(null);
  useEffect(() => {
    if (picture === null) return;
    const made = URL.createObjectURL(picture);
    setAddress(made);
    return () => {
      URL.revokeObjectURL(made);
      setAddress(null);
    };
  }, [picture]);
  return address;
}

async function fromHouse(id: string, secret: string): Promise<Blob | null> {
  const answer = await fetch(`/api/public/mine/pictures/${id}/small`, { headers: { "x-entry-secret": secret } });
  return answer.ok ? answer.blob() : null;
}
