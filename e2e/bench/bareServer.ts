import { join } from "node:path";
import { serve } from "@hono/node-server";
import Sqlite from "better-sqlite3";
import { Hono } from "hono";

/** What the full stack is held against: one Hono route that does one insert, on the same kind of file. */
const db = new Sqlite(join(process.env["LAMPCRATE_DATA"] ?? ".", "bare.sqlite"));
db.pragma("journal_mode = WAL");
db.pragma("synchronous = FULL");
db.exec("create table if not exists entry (id text primary key, body text not null)");
const insert = db.prepare("insert into entry (id, body) values (?, ?)");

const app = new Hono();
app.get("/healthz", (c) => c.json({ ok: true }));
app.post("/entries", async (c) => {
  const body = await c.req.json<{ id: string }>();
  insert.run(body.id, JSON.stringify(body));
  return c.json({ kept: true }, 201);
});

serve({ fetch: app.fetch, port: Number(process.env["PORT"]) });
