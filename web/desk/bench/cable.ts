import { type BenchLine, LineJoiner, readBenchLine } from "@lampcrate/core";

/** What the browser has of the Web Serial interface, as far as it is used here. */
interface SerialPort {
  readonly readable: ReadableStream<Uint8Array> | null;
  readonly open: (how: { readonly baudRate: number }) => Promise<void>;
  readonly close: () => Promise<void>;
}

interface Serial {
  readonly getPorts: () => Promise<readonly SerialPort[]>;
  readonly requestPort: () => Promise<SerialPort>;
}

interface OnCable {
  readonly baud: number;
  /** Whoever looks has pressed: the browser may ask which cable. */
  readonly ask: boolean;
  readonly hear: (line: BenchLine) => void;
  readonly lost: (why: string) => void;
}

/** Hears a device on a cable of this machine, where the browser can; returns what ends it. */
export function cable({ baud, ask, hear, lost }: OnCable): () => void {
  const serial = (navigator as { serial?: Serial }).serial;
  if (!serial) {
    lost("This browser can't read from a cable. Use one that can, or a port of the server's machine.");
    return () => undefined;
  }
  let over = false;
  let reader: ReadableStreamDefaultReader<Uint8Array> | null = null;
  const listen = async (): Promise<void> => {
    const [known] = await serial.getPorts();
    const port = known ?? (ask ? await serial.requestPort() : undefined);
    if (!port) return lost("Say which cable it is on.");
    await port.open({ baudRate: baud });
    const joiner = new LineJoiner();
    const decoder = new TextDecoder();
    reader = port.readable?.getReader() ?? null;
    while (reader && !over) {
      const { done, value } = await reader.read();
      if (done) break;
      for (const line of joiner.push(decoder.decode(value, { stream: true }))) {
        const read = readBenchLine(line);
        if (read) hear(read);
      }
    }
    reader?.releaseLock();
    await port.close();
    if (!over) lost("The cable was pulled out.");
  };
  listen().catch(() => over || lost("Nothing could be read from the cable. Plug it in, and choose it again."));
  return () => {
    over = true;
    void reader?.cancel().catch(() => undefined);
  };
}
