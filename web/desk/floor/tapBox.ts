import type { TapsDoc } from "@lampcrate/contract";
import type { Tap, TapBody } from "@lampcrate/core";
import { del, entries, get, set } from "idb-keyval";
import { nanoid } from "nanoid";
import { AskError, api, ask } from "../../shared/client.ts";

/** Sent at a time; what is over goes with the next. */
const mostAtOnce = 200;
const letters = "ABCDEFGHIJKLMNOPQRSTUVWXYZ";

/** A floor's taps as this tablet knows them. */
export interface TapsKnown {
  /** Everybody's, and this tablet's own that are not sent yet. */
  readonly taps: readonly Tap[];
  readonly unsent: number;
  /** Whether the last attempt reached the server. */
  readonly online: boolean;
  /** Why the server took none of them, in words. */
  readonly refused: string | null;
  readonly by: string;
}

interface Kept {
  readonly taps: readonly Tap[];
  readonly next: number;
  readonly by: string;
}

/**
 * The taps of one session on this tablet. Every tap is written to the device before anything is sent, a key each, so
 * that two windows never write over one another; it stays there until the server has it. Each has its own time and a
 * random id: sent again it counts once.
 */
export class TapBox {
  private known = new Map<string, Tap>();
  private unsent = new Map<string, Tap>();
  private next = 0;
  private by = "";
  private online = true;
  private refused: string | null = null;
  /** What was refused is sent again only when somebody asks, or by a tap that comes after. */
  private resting = false;
  private sending: Promise<void> | null = null;
  private readonly listeners = new Set<() => void>();
  private shown: TapsKnown = { taps: [], unsent: 0, online: true, refused: null, by: "" };

  constructor(private readonly session: string) {}

  /** Reads what the device has kept. */
  async open(): Promise<void> {
    const kept = await get<Kept>(`floor ${this.session}`);
    if (kept) {
      this.known = new Map(kept.taps.map((tap) => [tap.id, tap]));
      this.next = kept.next;
      this.by = kept.by;
    }
    for (const [key, tap] of await entries<string, Tap>()) if (String(key).startsWith(this.prefix)) this.unsent.set(tap.id, tap);
    this.tell();
    await this.sync();
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly now = (): TapsKnown => this.shown;

  /** Keeps a tap on the device, and sends it as soon as it can. */
  async add(body: TapBody): Promise<Tap> {
    if (this.by === "") await this.name();
    const tap: Tap = { id: nanoid(16), at: Date.now(), by: this.by, body };
    this.unsent.set(tap.id, tap);
    this.resting = false;
    this.tell();
    await set(this.prefix + tap.id, tap);
    // What was tapped while others were on their way goes right after them.
    void this.sync().then(() => (this.unsent.has(tap.id) && this.online ? this.sync() : undefined));
    return tap;
  }

  /** Sends again what was refused. */
  async retry(): Promise<void> {
    this.resting = false;
    await this.sync();
  }

  /** Sends what is unsent and takes in what others have tapped; one at a time. */
  async sync(): Promise<void> {
    this.sending ??= this.send().finally(() => {
      this.sending = null;
    });
    await this.sending;
  }

  private get prefix(): string {
    return `floor tap ${this.session} `;
  }

  private async send(): Promise<void> {
    const taps = this.resting ? [] : [...this.unsent.values()].slice(0, mostAtOnce);
    try {
      const param = { id: this.session };
      const doc: TapsDoc =
        taps.length > 0
          ? await ask(api.sessions[":id"].taps.$post({ param, json: { after: this.next, taps: [...taps] } }))
          : await ask(api.sessions[":id"].taps.$get({ param, query: { from: String(this.next) } }));
      this.online = true;
      if (!this.resting) this.refused = null;
      for (const tap of [...taps, ...doc.taps]) this.known.set(tap.id, tap);
      for (const { id } of taps) this.unsent.delete(id);
      const isNew = doc.taps.length > 0 || taps.length > 0;
      this.next = doc.next;
      if (isNew) await this.keep();
      await Promise.all(taps.map(({ id }) => del(this.prefix + id)));
    } catch (error) {
      if (!(error instanceof AskError)) throw error;
      this.online = !error.offline;
      if (!error.offline) this.refused = error.message;
      if (isFinal(error) && taps.length > 0) this.resting = true;
    }
    this.tell();
  }

  private keep(): Promise<void> {
    return set(`floor ${this.session}`, { taps: [...this.known.values()], next: this.next, by: this.by } satisfies Kept);
  }

  /** A letter for this tablet that nobody else has used; out of reach, one from the alphabet's end by chance. */
  private async name(): Promise<void> {
    const used = new Set([...this.known.values()].map(({ by }) => by));
    const free = [...letters].filter((letter) => !used.has(letter));
    const late = free.filter((letter) => letter > "M");
    this.by = (this.online ? free[0] : late[Math.floor(Math.random() * late.length)]) ?? "Z";
    await this.keep();
  }

  private tell(): void {
    const { online, refused, by } = this;
    this.shown = { taps: [...this.known.values(), ...this.unsent.values()], unsent: this.unsent.size, online, refused, by };
    for (const listener of this.listeners) listener();
  }
}

/** A refusal that sending the same again doesn't change; signing in again, or waiting, may change others. */
const isFinal = ({ problem: { status } }: AskError): boolean => status >= 400 && status < 500 && ![401, 408, 429].includes(status);
