import type { OutboxLine } from "@lampcrate/contract";
import { createTransport } from "nodemailer";
import type { Database } from "../../db/open.ts";
import type { FilePart } from "../filePart.ts";
import { houseDoc } from "../house/house.ts";
import { runRow } from "../runs/runs.ts";
import { lettersAfter, letterWithId } from "./outbox.ts";

/** Letters written out at a time. */
const chunk = 200;

/** Writes mail as text and sends nothing: it opens no connection. */
const onPaper = createTransport({ streamTransport: true, buffer: true, newline: "unix" });

/** ".invalid" is nobody's, by RFC 2606: whatever program such a letter is put into, it can't leave it. */
const house = "house@lamp-crate.invalid";

/** A letter as RFC 5322 has it. */
async function mailOf(line: OutboxLine, from: string): Promise<string> {
  const { message } = await onPaper.sendMail({
    from: { name: from, address: house },
    to: addressee(line),
    subject: line.subject,
    text: `${line.body}\n\n${from}\n`,
    date: new Date(line.at),
    messageId: `<${line.id}@lamp-crate.invalid>`,
    headers: { "content-language": line.language },
  });
  return String(message);
}

function addressee({ alias, builders, id }: OutboxLine): { name: string; address: string } {
  if (alias === null) return { name: `Leader of ${builders ?? 0} builders`, address: `${id}@groups.invalid` };
  return { name: alias, address: `${alias.toLowerCase().replace(/[^a-z0-9]+/g, "-")}@entries.invalid` };
}

/** One letter as a file of mail. Throws 404. */
export function letterEml(db: Database, runId: string, id: string): Promise<string> {
  return mailOf(letterWithId(db, runId, id), houseDoc(db).name);
}

/** Some of a run's letters as a mailbox (RFC 4155, a line that begins with "From " quoted), the oldest first, past so many. Throws 404. */
export async function mailboxPart(db: Database, runId: string, after: number): Promise<FilePart> {
  runRow(db, runId);
  const lines = lettersAfter(db, runId, after, chunk);
  const from = houseDoc(db).name;
  const mails: string[] = [];
  for (const line of lines) {
    const quoted = (await mailOf(line, from)).replace(/^(>*From )/gm, ">$1");
    mails.push(`From ${house} ${mailboxDate(line.at)}\n${quoted.replace(/\n*$/, "\n")}\n`);
  }
  return { text: mails.join(""), next: lines.length === chunk ? after + chunk : null };
}

/** "Thu Nov 26 10:00:00 2026", UTC. */
function mailboxDate(at: number): string {
  const [weekday = "", day = "", month = "", year = "", time = ""] = new Date(at).toUTCString().replace(",", "").split(" ");
  return `${weekday} ${month} ${day.padStart(2, " ")} ${time} ${year}`;
}
