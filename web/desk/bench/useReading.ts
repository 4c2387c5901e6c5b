import { type BenchDevice, type BenchLine, type BenchSetting, usualBench } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { houseQuery } from "../queries.ts";
import { cable } from "./cable.ts";

/** A reading that has come to rest. SI. */
export interface Reading {
  readonly si: number;
  /** Grows with each, so that the same value twice is two readings. */
  readonly number: number;
}

/** How a device of the bench stands. */
export interface Standing {
  /** "off": none is chosen in House. */
  readonly state: "off" | "waiting" | "on" | "lost";
  readonly why: string | null;
  readonly simulated: boolean;
  /** What it shows now, settled or not; SI. */
  readonly now: number | null;
  readonly reading: Reading | null;
  /** Asks whoever looks which cable it is on; null where it isn't on one. */
  readonly plugIn: (() => void) | null;
}

const off: Standing = { state: "off", why: null, simulated: false, now: null, reading: null, plugIn: null };

/** Below so much a scale is empty, kg: a load taken off is no reading. */
const emptyKg = 1e-6;

/** Listens to a device of the bench as the house has it, from a port of the server's machine or by a cable here. */
export function useReading(device: BenchDevice | null): Standing {
  const house = useQuery(houseQuery).data;
  const setting = device === null ? null : (house?.bench[device] ?? usualBench[device]);
  return useDevice(device, setting);
}

function useDevice(device: BenchDevice | null, setting: BenchSetting | null): Standing {
  const [standing, setStanding] = useState<Standing>(off);
  const [asked, setAsked] = useState(0);
  const count = useRef(0);
  const { via = "none", baud = 9600, port = 0 } = setting ?? {};
  // biome-ignore lint/correctness/useExhaustiveDependencies: the server goes by the port; another one is listened to anew
  useEffect(() => {
    if (device === null || via === "none") {
      setStanding(off);
      return;
    }
    const put = (patch: Partial<Standing>): void => setStanding((was) => ({ ...was, ...patch }));
    const hear = (line: BenchLine): void => {
      if (line.says === "hello") return put({ state: "on", why: null, simulated: line.simulated });
      const si = line.says === "weight" ? line.kg : line.s;
      const isRead = line.says === "time" || (line.steady && line.kg > emptyKg);
      if (isRead) count.current += 1;
      put({ state: "on", why: null, now: si, ...(isRead ? { reading: { si, number: count.current } } : {}) });
    };
    const lost = (why: string): void => put({ state: "lost", why });
    setStanding({ ...off, state: "waiting", plugIn: via === "cable" ? () => setAsked((n) => n + 1) : null });
    return via === "port" ? hearPort(device, hear, lost) : cable({ baud, ask: asked > 0, hear, lost });
  }, [device, via, baud, port, asked]);
  return standing;
}

/** The server listens at the port and passes on what it hears; a line that broke is taken up again by itself. */
function hearPort(device: BenchDevice, hear: (line: BenchLine) => void, lost: (why: string) => void): () => void {
  const source = new EventSource(`/api/bench/${device}/readings`);
  source.addEventListener("line", ({ data }) => hear(JSON.parse(String(data)) as BenchLine));
  source.addEventListener("lost", ({ data }) => lost(String(data)));
  source.addEventListener("error", () => {
    if (source.readyState === EventSource.CLOSED) lost("The house can't be asked for it. Reload the page.");
  });
  return () => source.close();
}
