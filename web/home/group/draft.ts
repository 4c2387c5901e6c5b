import { type AgeBand, mostBuilders } from "@lampcrate/contract";
import { nanoid } from "nanoid";
import { everyone, isSetting, type Layout } from "./columns.ts";

/** One builder's line: what the leader calls them stays on this device; cells by their column. */
export interface GroupLine {
  readonly id: string;
  readonly mark: string;
  readonly cells: Readonly<Record<string, string>>;
  /** Columns whose odd values the leader was asked about, and keeps. */
  readonly kept: readonly string[];
}

/** A leader's sheet as it is kept on the device. */
export interface GroupDraft extends Layout {
  readonly id: string;
  readonly secret: string;
  readonly ageBand: AgeBand | null;
  readonly keep: boolean;
  /** What trials were tried at by every builder whose own line says nothing else, by column. */
  readonly everyone: Readonly<Record<string, string>>;
  readonly lines: readonly GroupLine[];
  /** Set once the server has it: made-up names by row, from 1. */
  readonly sent: Readonly<Record<string, string>> | null;
  readonly sending: boolean;
}

const usualBuilders = 30;

export const blankLine = (): GroupLine => ({ id: nanoid(24), mark: "", cells: {}, kept: [] });

/** A new sheet for a usual group. The device makes the ids and the secret, so that sending twice makes one group. */
export function newGroup(versions: number): GroupDraft {
  return {
    id: nanoid(24),
    secret: nanoid(32),
    ageBand: null,
    keep: false,
    versions,
    varied: null,
    bare: true,
    everyone: {},
    lines: Array.from({ length: usualBuilders }, blankLine),
    sent: null,
    sending: false,
  };
}

const keyOf = (code: string): string => `lampcrate-group-${code.toLowerCase()}`;

/** The sheet kept on this device; null when there is none or it can't be read. */
export function keptGroup(code: string): GroupDraft | null {
  try {
    const kept = JSON.parse(localStorage.getItem(keyOf(code)) ?? "null") as GroupDraft | null;
    const isOne = typeof kept?.id === "string" && Array.isArray(kept.lines) && kept.lines.every((line) => typeof line?.cells === "object");
    // A sheet from before these had none of them.
    return isOne ? { ...kept, bare: kept.bare ?? false, everyone: kept.everyone ?? {} } : null;
  } catch {
    return null;
  }
}

/** A group that was sent from this device, by its leader's link. */
export interface SentGroup {
  readonly secret: string;
  readonly builders: number;
}

const sentKeyOf = (code: string): string => `lampcrate-groups-sent-${code.toLowerCase()}`;

/** Groups that were sent from this device, those of earlier sheets too. */
export function sentGroups(code: string): readonly SentGroup[] {
  try {
    const before = JSON.parse(localStorage.getItem(sentKeyOf(code)) ?? "[]") as readonly SentGroup[];
    const now = keptGroup(code);
    return [...before, ...(now?.sent ? [sentOf(now)] : [])];
  } catch {
    return [];
  }
}

const sentOf = ({ secret, sent }: GroupDraft): SentGroup => ({ secret, builders: Object.keys(sent ?? {}).length });

/** Keeps the link of a group that was sent when another sheet takes its place. */
export function keepSentGroup(code: string, draft: GroupDraft): void {
  if (draft.sent === null) return;
  try {
    const before = sentGroups(code).filter(({ secret }) => secret !== draft.secret);
    localStorage.setItem(sentKeyOf(code), JSON.stringify([...before, sentOf(draft)]));
  } catch {
    // Then the link is where its leader has put it.
  }
}

/** How many group sheets on this device have something in them and were never sent. */
export function unsentGroups(): number {
  const codes = Object.keys(localStorage).flatMap((key) => (key.startsWith(keyOf("")) ? [key.slice(keyOf("").length)] : []));
  const isWritten = ({ sent, lines }: GroupDraft): boolean =>
    sent === null && lines.some(({ mark, cells }) => mark !== "" || Object.values(cells).some((text) => text !== ""));
  return codes.filter((code) => {
    const draft = keptGroup(code);
    return draft !== null && isWritten(draft);
  }).length;
}

/** Saves the sheet on this device. False where storage is blocked or full: it is then on this page alone, and the page says so. */
export function saveGroup(code: string, draft: GroupDraft): boolean {
  try {
    localStorage.setItem(keyOf(code), JSON.stringify(draft));
    return true;
  } catch {
    return false;
  }
}

/** What a block that was put in takes the place of, and how many of its lines were too many. */
export interface Pasted {
  readonly before: Pick<GroupDraft, "lines" | "everyone">;
  readonly left: number;
}

/**
 * A sheet with a block of cells put in from a line on, -1 for everyone's; more builders than a sheet takes are left out,
 * and counted.
 */
export function withBlock(
  { lines, everyone: forAll }: Pick<GroupDraft, "lines" | "everyone">,
  from: number,
  block: readonly (readonly (readonly [column: string, text: string])[])[],
): Pick<GroupDraft, "lines" | "everyone"> & { readonly left: number } {
  const next = [...lines];
  while (next.length < Math.min(mostBuilders, from + block.length)) next.push(blankLine());
  for (const [i, cells] of block.entries()) {
    const line = next[from + i];
    if (line) next[from + i] = cells.reduce(withCell, line);
  }
  const ofAll = from === everyone ? (block[0] ?? []).filter(([column]) => isSetting(column)) : [];
  return {
    lines: next,
    everyone: ofAll.length === 0 ? forAll : { ...forAll, ...Object.fromEntries(ofAll) },
    left: Math.max(0, from + block.length - mostBuilders),
  };
}

/** The column of what the leader calls a builder. */
export const markColumn = "mark";

/** A line with one cell written anew: whatever was kept of an odd value there is asked about again. */
export function withCell(line: GroupLine, [column, text]: readonly [column: string, text: string]): GroupLine {
  if (column === markColumn) return { ...line, mark: text };
  return { ...line, cells: { ...line.cells, [column]: text }, kept: line.kept.filter((one) => one !== column) };
}
