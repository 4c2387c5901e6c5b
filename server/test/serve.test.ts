import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Running, serveHouse } from "../src/index.ts";

let running: Running;
let folder: string;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), "lampcrate-serve-"));
  for (const page of ["index.html", "home.html"]) writeFileSync(join(folder, page), `<!doctype html><title>${page}</title>`);
  running = await serveHouse({ port: 0, data: folder, url: null, clock: Date.now, web: folder, logLevel: "silent" });
});
afterAll(async () => {
  await running.stop();
  rmSync(folder, { recursive: true, force: true });
});

describe("the served house", () => {
  it.each(["/healthz", "/api/setup", "/api/season", "/api/nowhere"])("%s carries a strict policy without inline script", async (path) => {
    const { headers } = await fetch(`http://localhost:${running.port}${path}`);
    const policy = headers.get("content-security-policy") ?? "";
    expect(policy.split("; ").find((part) => part.startsWith("script-src"))).toBe("script-src 'self' 'wasm-unsafe-eval'");
    expect(policy).toContain("frame-ancestors 'self'");
    expect(headers.get("x-content-type-options")).toBe("nosniff");
  });

  it.each(["/%E0%A4%A", "/h/%", "/assets/%2e%2e%2f%2e%2e%2fpackage.json", "/api/public/runs/%E0%A4%A"])(
    "%s is no way in and no 500",
    async (path) => {
      const answer = await fetch(`http://localhost:${running.port}${path}`);
      expect(answer.status).toBeLessThan(500);
      expect(await answer.text()).not.toContain("lamp-crate");
    },
  );

  it("keeps every commit on disk before it is acknowledged, in a log beside the file", () => {
    const pragma = (name: string): unknown => running.deps.db.$client.pragma(name, { simple: true });
    expect([pragma("journal_mode"), pragma("synchronous"), pragma("foreign_keys")]).toEqual(["wal", 2, 1]);
  });

  it("refuses an endless body too", async () => {
    const endless = new ReadableStream({
      pull: (controller) => controller.enqueue(new Uint8Array(64 * 1024).fill(32)),
    });
    const answer = await fetch(`http://localhost:${running.port}/api/sign-in`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: endless,
      duplex: "half",
    } as RequestInit).catch(() => null);
    expect(answer === null || answer.status === 413).toBe(true);
  });
});
