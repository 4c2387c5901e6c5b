import { createServer, type Server, type Socket } from "node:net";
import { type BenchDevice, LineJoiner } from "@lampcrate/core";

/** A device of the bench that is only made believe: it speaks the bench's lines (docs/bench.md) on a port of this machine. */
export interface StandIn {
  readonly port: number;
  readonly stop: () => Promise<void>;
}

/** Between two readings while a load comes to rest, ms. */
const settlingMs = 60;

/**
 * Starts a made-believe scale or light gate on a port of this machine (0: any free one). Whoever connects is greeted and
 * hears every reading. It is moved by a line sent to it: "put 412.6" lays so many grams on the scale, which come to rest,
 * "lift" takes them off; "fall 1.234" lets something fall through the gate for so many seconds.
 */
export async function startStandIn(device: BenchDevice, port: number): Promise<StandIn> {
  const listeners = new Set<Socket>();
  const say = (line: string): void => {
    for (const socket of listeners) socket.write(`${line}\n`);
  };
  const server: Server = createServer((socket) => {
    const joiner = new LineJoiner();
    listeners.add(socket);
    socket.setEncoding("utf8");
    socket.write(`hello ${device} simulated\n`);
    socket.on("data", (piece: string) => {
      for (const line of joiner.push(piece))
        void move(device, line, say).then((known) => known || socket.write("what: put, lift or fall\n"));
    });
    socket.on("error", () => socket.destroy());
    socket.on("close", () => listeners.delete(socket));
  });
  await new Promise<void>((up, failed) => {
    server.once("error", failed);
    server.listen(port, "127.0.0.1", up);
  });
  const address = server.address();
  return {
    port: typeof address === "object" && address !== null ? address.port : port,
    stop: () =>
      new Promise((ended) => {
        for (const socket of listeners) socket.destroy();
        server.close(() => ended());
      }),
  };
}

const rest = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

async function move(device: BenchDevice, line: string, say: (line: string) => void): Promise<boolean> {
  const [word = "", amount = ""] = line.trim().split(" ");
  const value = Number(amount);
  if (device === "scale" && word === "put" && value >= 0 && value <= 1e6) {
    // A load laid on overshoots, and comes to rest.
    for (const part of [0.62, 1.09, 0.98]) {
      say(`weight ${(value * part).toFixed(1)} g moving`);
      await rest(settlingMs);
    }
    say(`weight ${value.toFixed(1)} g steady`);
    return true;
  }
  if (device === "scale" && word === "lift") {
    say("weight 0.0 g steady");
    return true;
  }
  if (device === "gate" && word === "fall" && value > 0 && value <= 3600) {
    say(`time ${value.toFixed(3)} s`);
    return true;
  }
  return false;
}
