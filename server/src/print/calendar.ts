import { dateWords } from "@lampcrate/core";
import type { CalendarPapers, PrintedSession } from "../services/runs/calendarPapers.ts";
import { furtherPage, type Paper, pdfOf, rule, soft } from "./paper.ts";

/** Points of the column with the times. */
const times = 92;

/** Days of the house's calendar, session by session: when, what, where, who, set-up and tear-down; days without any are left out. */
export function calendarPdf({ house, days }: CalendarPapers): Promise<Uint8Array<ArrayBuffer>> {
  const [first, last] = [days[0]?.date ?? "", days.at(-1)?.date ?? ""];
  const title = `${house.name}, ${dateWords(first)}${first === last ? "" : ` to ${dateWords(last)}`}`;
  return pdfOf(house.units, title, (paper) => {
    const { margin } = paper;
    const width = paper.width - 2 * margin;
    let y = paper.write(title, { x: margin, y: margin, width, size: 19, face: "heading" }) + 8;
    let page = 1;
    const room = (height: number): void => {
      if (y + height <= paper.height - margin) return;
      page += 1;
      y = furtherPage(paper, title, page);
    };
    const shown = days.filter(({ closed, sessions }) => closed !== null || sessions.length > 0);
    for (const { date, closed, sessions } of shown) {
      room(70);
      const words = closed === null ? dateWords(date) : `${dateWords(date)}, closed: ${closed}`;
      y = paper.write(words, { x: margin, y: y + 8, width, size: 13, face: "heading" }) + 3;
      for (const session of sessions) {
        room(56);
        y = drawSession(paper, session, y, width);
      }
    }
    if (shown.length === 0) paper.write("Nothing is on the calendar in these days.", { x: margin, y, width, size: 12 });
  });
}

function drawSession(paper: Paper, { from, to, what, where, who, around }: PrintedSession, y: number, width: number): number {
  const { margin } = paper;
  paper.pdf
    .moveTo(margin, y + 1)
    .lineTo(margin + width, y + 1)
    .lineWidth(0.5)
    .stroke(rule);
  paper.write(`${from} to ${to}`, { x: margin, y: y + 5, width: times, size: 12, face: "bold" });
  const wide = width - times;
  let lowest = paper.write(`${what} (${where})`, { x: margin + times, y: y + 5, width: wide, size: 12, face: "bold" });
  lowest = paper.write(who === "" ? "nobody is on it yet" : who, { x: margin + times, y: lowest + 1, width: wide, size: 11 });
  if (around !== "") lowest = paper.write(around, { x: margin + times, y: lowest + 1, width: wide, size: 10, colour: soft });
  return lowest + 4;
}
