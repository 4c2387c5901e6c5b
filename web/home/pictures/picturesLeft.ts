import { queryOptions } from "@tanstack/react-query";
import { sendPictures } from "./sendPictures.ts";

/** How long a device waits before it sends what is left again, ms. */
const againMs = 5000;

/** Sends the pictures of a sent entry, again and again until none is left. */
export const picturesLeftQuery = (secret: string, onArrived?: () => void) =>
  queryOptions({
    queryKey: ["pictures left", secret],
    queryFn: async () => {
      const now = await sendPictures(secret);
      if (now.left === 0) onArrived?.();
      return now;
    },
    staleTime: 0,
    gcTime: 0,
    refetchInterval: ({ state }) => ((state.data?.left ?? 1) > 0 ? againMs : false),
    refetchIntervalInBackground: true,
    refetchOnReconnect: "always",
  });
