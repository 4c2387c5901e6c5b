import type { BenchInput } from "@lampcrate/contract";
import { benchInput } from "@lampcrate/contract/schemas";
import { type BenchDevice, benchDevices, readBenchLine } from "@lampcrate/core";
import { Hono } from "hono";
import { streamSSE } from "hono/streaming";
import type { Deps } from "../deps.ts";
import { badField, notFound, Problem } from "../http/problem.ts";
import { allow, type Signed } from "../http/signedIn.ts";
import { body } from "../http/validate.ts";
import { listenTo } from "../services/bench/listen.ts";
import { houseDoc } from "../services/house/house.ts";

const beatMs = 15_000;

/** What stands at the bench: its readings as they come, and a hand for what is made believe. */
export function benchRoutes(deps: Deps) {
  const look = allow(deps, "look");
  const count = allow(deps, "count");
  return new Hono<Signed>()
    .get("/bench/:device/readings", look, (c) => {
      const { port } = portOf(deps, c.req.param("device"));
      return streamSSE(c, async (stream) => {
        await new Promise<void>((over) => {
          let written = Promise.resolve();
          const send = (event: string, data: string): void => {
            written = written.then(() => stream.writeSSE({ event, data })).catch(() => undefined);
          };
          const listening = listenTo(port, {
            onLine: (line) => {
              const read = readBenchLine(line);
              if (read) send("line", JSON.stringify(read));
            },
            onLost: (why) => {
              send("lost", why);
              end();
            },
          });
          const beat = setInterval(() => send("beat", ""), beatMs);
          const end = (): void => {
            clearInterval(beat);
            listening.end();
            // The last word goes out before the line is ended.
            void written.then(over);
          };
          stream.onAbort(end);
        });
      });
    })
    .post("/bench/:device/hand", count, body(benchInput), async (c) => {
      const { device, port } = portOf(deps, c.req.param("device"));
      await moveByHand(device, port, c.req.valid("json"));
      return c.json({ moved: true });
    });
}

function portOf(deps: Deps, name: string): { readonly device: BenchDevice; readonly port: number } {
  const device = benchDevices.find((one) => one === name);
  if (!device) throw notFound("device of the bench");
  const { via, port } = houseDoc(deps.db).bench[device];
  if (via !== "port")
    throw new Problem(409, "It isn't at a port", "Choose in House how this device is reached: at a port of the server's machine.");
  return { device, port };
}

/** Moves a device that says of itself that it is made believe; a real one is never told anything. */
function moveByHand(device: BenchDevice, port: number, { value }: BenchInput): Promise<void> {
  return new Promise((done, failed) => {
    const listening = listenTo(port, {
      onLine: (line) => {
        const read = readBenchLine(line);
        if (read?.says !== "hello") return;
        if (read.simulated && read.device === device) listening.say(`${device === "scale" ? "put" : "fall"} ${value}`);
        // What was said is on its way before the line is ended.
        setTimeout(() => listening.end(), 50);
        if (read.simulated) done();
        else failed(badField("value", "This device is a real one: put something on it."));
      },
      onLost: (why) => failed(new Problem(409, "It can't be reached", `${why} Start the stand-ins, or choose another port in House.`)),
    });
  });
}
