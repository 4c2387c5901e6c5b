import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { pictureHere } from "./album.ts";

/** The address of a family's own picture, from this device or else from the house by their private link; null until it is there. */
export function useOwnPicture(id: string, secret: string): string | null {
  const found = useQuery({
    queryKey: ["own picture", id],
    queryFn: async () => (await pictureHere(id)) ?? (await fromHouse(id, secret)),
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  return useAddress(found.data ?? null);
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
