// @vitest-environment jsdom
import type { EntryDoc, EntryPage, RunDoc } from "@lampcrate/contract";
import { QueryClientProvider } from "@tanstack/react-query";
import { act, cleanup, fireEvent, render, screen, waitFor } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { entriesQuery, houseQuery, meQuery } from "../desk/queries.ts";
import { Sift } from "../desk/sift/Sift.tsx";
import { BriefContext, type BriefWork, type CrateWork, CrateWorkContext } from "../desk/work/RunContext.ts";
import { keptQueries, standInBrowser, standInServer } from "./dom.ts";

const run = { id: "r", units: "metric", status: "published", code: "REED", brief: { family: "descent", spec: {} } } as unknown as RunDoc;

const entry = (alias: string): EntryDoc => ({
  id: alias,
  alias,
  state: "waiting",
  revision: 1,
  // Half past eleven in the evening by UTC: the next day at the house.
  sentAt: Date.parse("2026-11-24T23:30:00Z"),
  ageBand: null,
  language: "en",
  groupRow: null,
  source: "home",
  said: "",
  tokens: [],
  timer: null,
  asks: [],
  answers: [],
  rulesInEnglish: {},
  briefVersion: 1,
  dimension: "time",
  versions: [],
  decidedBy: null,
  why: null,
});

let asked: ReturnType<typeof standInServer>;
let answer: { promise: Promise<void>; now: () => void };
let status = 200;

function open(aliases: readonly string[], at = "/"): void {
  const queries = keptQueries();
  const page: EntryPage = { entries: aliases.map(entry), total: aliases.length, waiting: aliases.length, next: null };
  queries.setQueryData(entriesQuery("r").queryKey, { pages: [page], pageParams: [0] });
  queries.setQueryData(meQuery.queryKey, { now: Date.parse("2026-11-25T10:00:00Z") } as never);
  queries.setQueryData(houseQuery.queryKey, { zone: "Europe/Berlin" } as never);
  render(
    <QueryClientProvider client={queries}>
      <MemoryRouter initialEntries={[at]}>
        <BriefContext.Provider value={{ run } as unknown as BriefWork}>
          <CrateWorkContext.Provider value={{} as CrateWork}>
            <Sift />
          </CrateWorkContext.Provider>
        </BriefContext.Provider>
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

const looked = (): void => vi.spyOn(performance, "now").mockReturnValue(performance.now() + 10_000) as never;
const decisions = () =>
  asked.filter(({ path }) => path.endsWith("/decision")).map(({ path, body }) => [decodeURIComponent(path.split("/")[5] ?? ""), body]);
const heading = (): string | null => screen.getByRole("heading", { level: 2, name: /Heron|Otter|Newt/ }).textContent;
const key = (pressed: string, on: Element = document.body): boolean => fireEvent.keyDown(on, { key: pressed });
const answered = async (): Promise<void> => {
  await act(async () => {
    answer.now();
    await answer.promise;
  });
};

beforeEach(() => {
  standInBrowser();
  status = 200;
  let now = (): void => {};
  const promise = new Promise<void>((done) => {
    now = done;
  });
  answer = { promise, now };
  asked = standInServer(async (path, method, body) => {
    if (method === "GET" && path.endsWith("/entries/Rare%20Newt")) return { body: entry("Rare Newt") };
    if (method === "GET") return { status: 503, body: { type: "about:blank", title: "Away", status: 503, detail: "Away." } };
    const alias = decodeURIComponent(path.split("/")[5] ?? "");
    await answer.promise;
    const { decision, why } = body as { decision: EntryDoc["state"]; why: string };
    return status === 200
      ? { body: { ...entry(alias), state: decision, why, revision: 2 } }
      : { status, body: { type: "about:blank", title: "Stale", status, detail: "Somebody was there before you." } };
  });
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

describe("sifting by keys", () => {
  it("decides an entry only once it has been there to be looked at, and one at a time", async () => {
    open(["Misty Heron", "Calm Otter", "Damp Newt"]);
    for (let i = 0; i < 4; i += 1) key("a");
    await answered();
    await waitFor(() => expect(heading()).toBe("Calm Otter"));
    key("a");
    expect(decisions()).toEqual([["Misty Heron", { decision: "accepted", why: "", revision: 1 }]]);
    looked();
    key("a");
    await waitFor(() => expect(heading()).toBe("Damp Newt"));
    expect(decisions().map(([id]) => id)).toEqual(["Misty Heron", "Calm Otter"]);
    expect(screen.queryByRole("alert")).toBeNull();
    expect(screen.getByRole("heading", { name: "1 waiting" })).toBeTruthy();
  });

  it("holding a key down decides nothing more", async () => {
    open(["Misty Heron", "Calm Otter"]);
    looked();
    fireEvent.keyDown(document.body, { key: "a", repeat: true });
    expect(decisions()).toEqual([]);
  });

  it("s asks why: what is typed there decides nothing until Enter, and stays with its entry", async () => {
    open(["Misty Heron", "Calm Otter"]);
    looked();
    key("s");
    const box = screen.getByRole<HTMLInputElement>("textbox", { name: "Why, if it is set aside; or what to ask" });
    expect(document.activeElement).toBe(box);
    for (const letter of "as a") key(letter, box);
    fireEvent.change(box, { target: { value: "as a joke" } });
    expect(decisions()).toEqual([]);
    key("Escape", box);
    key("ArrowDown");
    expect([heading(), box.value]).toEqual(["Calm Otter", ""]);
    key("ArrowUp");
    expect(box.value).toBe("as a joke");
    key("s");
    key("Enter", box);
    await answered();
    await waitFor(() => expect(heading()).toBe("Calm Otter"));
    expect(decisions()).toEqual([["Misty Heron", { decision: "set aside", why: "as a joke", revision: 1 }]]);
    expect(box.value).toBe("");
  });

  it("says it when somebody else was there before, and keeps the reason", async () => {
    open(["Misty Heron"]);
    looked();
    status = 409;
    const box = screen.getByRole<HTMLInputElement>("textbox", { name: "Why, if it is set aside; or what to ask" });
    fireEvent.change(box, { target: { value: "twice" } });
    fireEvent.click(screen.getByRole("button", { name: "Set aside" }));
    await answered();
    await waitFor(() => expect(screen.getByRole("alert").textContent).toBe("Somebody was there before you."));
    expect(box.value).toBe("twice");
  });

  it("tells the day by the house's clock", () => {
    open(["Misty Heron"]);
    expect(screen.getByText(/^sent Wed 25 Nov,/)).toBeTruthy();
  });

  it("opens the one that was looked for, though its page has not been fetched; what is decided of it stays there to be seen", async () => {
    open(["Misty Heron", "Calm Otter"], "/?entry=Rare%20Newt");
    await waitFor(() => expect(heading()).toBe("Rare Newt"));
    looked();
    key("a");
    await answered();
    await waitFor(() => expect(heading()).toBe("Misty Heron"));
    expect(decisions().map(([alias]) => alias)).toEqual(["Rare Newt"]);
    expect(screen.getByRole("button", { name: /Rare Newt/ }).textContent).toContain("accepted");
  });
});
