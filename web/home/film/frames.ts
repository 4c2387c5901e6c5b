import { BlobSource, CanvasSink, EncodedPacketSink, Input, MATROSKA, MP4, QTFF, WAVE, WEBM } from "mediabunny";

/*
 * The frames of a film on the device. When each is shown comes from the file itself, and its picture from decoding it:
 * what a browser's own player says of the frame it shows is not to be relied on in all of them.
 */

/** Pictures are drawn at most so wide, px: wider ones only take longer. */
const mostWidth = 1280;

/** Why a film can't be looked at frame by frame. */
export type FilmTrouble = "unreadable" | "no frames" | "cannot step";

/** A film that is looked at frame by frame. */
export interface Frames {
  /** When each frame is shown, s, in order. */
  readonly times: readonly number[];
  /** Draws a frame on a canvas, which takes its size; nothing when another is wanted meanwhile. */
  readonly draw: (frame: number, on: HTMLCanvasElement, stop: AbortSignal) => Promise<void>;
  readonly close: () => void;
}

/** Opens a film; gives why it can't where it can't. */
export async function openFilm(file: Blob): Promise<Frames | FilmTrouble> {
  const input = new Input({ source: new BlobSource(file), formats: [MP4, QTFF, WEBM, MATROSKA, WAVE] });
  const close = (): void => input.dispose();
  const trouble = (why: FilmTrouble): FilmTrouble => {
    close();
    return why;
  };
  try {
    if (!(await input.canRead())) return trouble("unreadable");
    const track = await input.getPrimaryVideoTrack();
    if (track === null) return trouble("no frames");
    // Browsers decode only on pages whose connection is secure.
    if (!("VideoDecoder" in globalThis) || !(await track.canDecode())) return trouble("cannot step");
    const times: number[] = [];
    for await (const packet of new EncodedPacketSink(track).packets(undefined, undefined, { metadataOnly: true }))
      times.push(packet.timestamp);
    if (times.length === 0) return trouble("no frames");
    times.sort((a, b) => a - b);
    const sink = new CanvasSink(track, { width: Math.min(mostWidth, await track.getDisplayWidth()), fit: "contain", poolSize: 2 });
    return { times, draw: (frame, on, stop) => draw(sink, times[frame] ?? 0, on, stop), close };
  } catch {
    return trouble("unreadable");
  }
}

async function draw(sink: CanvasSink, at: number, on: HTMLCanvasElement, stop: AbortSignal): Promise<void> {
  const found = await sink.getCanvas(at);
  if (stop.aborted) return;
  if (found === null) throw new Error("this film has no picture there");
  const { canvas } = found;
  [on.width, on.height] = [canvas.width, canvas.height];
  on.getContext("2d")?.drawImage(canvas, 0, 0);
}
