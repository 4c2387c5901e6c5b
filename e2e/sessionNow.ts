import type { Page } from "@playwright/test";
import { runOf } from "./desk.ts";
import type { House } from "./harness.ts";

/** A session of a run that began so many minutes ago, in no room. */
export async function sessionNow(desk: Page, house: House, title: string, minutesAgo = 60): Promise<string> {
  const { id } = await runOf(desk, house, title);
  const from = new Date(Date.now() - minutesAgo * 60_000);
  const start = new Intl.DateTimeFormat("sv-SE", { timeZone: "CET", dateStyle: "short", timeStyle: "short" })
    .format(from)
    .replace(" ", "T");
  const heads = { model: "forecast", low: 62, likely: 85, high: 118 };
  const data = { title: `Now ${title}`, roomId: null, start, minutes: 240, setUpMin: 0, tearDownMin: 0, heads };
  const made = (await (await desk.request.post(`${house.url}/api/runs/${id}/sessions`, { data })).json()) as {
    sessions: { id: string; title: string; start: string }[];
  };
  const found = made.sessions.filter((session) => session.title === `Now ${title}` && session.start === start).at(-1);
  if (!found) throw new Error("the session was made");
  return found.id;
}
