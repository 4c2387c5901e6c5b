import type { FloorDoc } from "@lampcrate/contract";
import { type FloorNow, floorForecast, floorNow, lineWaits, type TapBody, testMinutes } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useMemo, useState, useSyncExternalStore } from "react";
import { TapBox, type TapsKnown } from "./tapBox.ts";

/** How often others' taps are asked for, ms. */
const syncMs = 3000;
const minute = 60_000;

/** A floor as it stands now, and how one taps on it. */
export interface Floor {
  readonly doc: FloorDoc;
  readonly floor: FloorNow;
  readonly known: TapsKnown;
  readonly forecast: ReturnType<typeof floorForecast>;
  /** Minutes that each of the line will wait. */
  readonly waits: readonly number[];
  readonly testMin: number;
  /** The tablet's clock, by the quarter minute. */
  readonly now: number;
  readonly tap: (body: TapBody) => void;
  /** Sends again what the server refused. */
  readonly retry: () => void;
}

/** The floor of a session: all tablets' taps, kept on this one and sent when there is a line. */
export function useFloor(doc: FloorDoc): Floor {
  const id = doc.session.id;
  const box = useMemo(() => new TapBox(id), [id]);
  const [opened, setOpened] = useState(false);
  useEffect(() => {
    void box.open().then(() => setOpened(true));
  }, [box]);
  useQuery({
    queryKey: ["floor taps", id],
    queryFn: async () => {
      await box.sync();
      return Date.now();
    },
    enabled: opened,
    refetchInterval: syncMs,
    refetchIntervalInBackground: true,
    networkMode: "always",
    staleTime: 0,
  });
  const known = useSyncExternalStore(box.subscribe, box.now);
  const now = useNow();
  const unit = doc.brief.buildBy;
  const floor = useMemo(() => floorNow(known.taps, unit), [known.taps, unit]);
  const forecast = useMemo(() => {
    const { session, run, brief, day } = doc;
    return floorForecast({ brief, kind: run.kind, heads: session.heads, day, startAt: session.startAt, minutes: session.minutes });
  }, [doc]);
  const testMin = testMinutes(floor, forecast.testMin);
  return {
    doc,
    floor,
    known,
    forecast,
    waits: lineWaits(floor, forecast.rigs, testMin, now),
    testMin,
    now,
    tap: (body) => void box.add(body),
    retry: () => void box.retry(),
  };
}

/** The clock, often enough for minutes. */
export function useNow(everyMs = minute / 12): number {
  const [now, setNow] = useState(Date.now);
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  return now;
}
