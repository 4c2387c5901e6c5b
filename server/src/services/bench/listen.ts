import { connect, type Socket } from "node:net";
import { LineJoiner } from "@lampcrate/core";

/** Hears a device at a port of this machine, line by line, until it is ended. */
export interface Listening {
  readonly say: (line: string) => void;
  readonly end: () => void;
}

interface Hearing {
  readonly onLine: (line: string) => void;
  /** Told once: the device can't be reached any more. */
  readonly onLost: (why: string) => void;
}

const patienceMs = 3000;

/** Only this machine is called: a house's settings are no way into a network. */
export function listenTo(port: number, { onLine, onLost }: Hearing): Listening {
  const joiner = new LineJoiner();
  const socket: Socket = connect({ port, host: "127.0.0.1" });
  let over = false;
  const lost = (why: string): void => {
    socket.destroy();
    if (over) return;
    over = true;
    onLost(why);
  };
  socket.setEncoding("utf8");
  socket.setTimeout(patienceMs, () => socket.connecting && lost("It doesn't answer."));
  socket.on("data", (piece: string) => {
    for (const line of joiner.push(piece)) onLine(line);
  });
  socket.on("error", (error: NodeJS.ErrnoException) =>
    lost(error.code === "ECONNREFUSED" ? `Nothing answers at port ${port} of the server's machine.` : "The line to it broke."),
  );
  socket.on("close", () => lost("It was switched off."));
  return {
    say: (line) => void socket.write(`${line}\n`),
    end: () => {
      over = true;
      socket.destroy();
    },
  };
}
