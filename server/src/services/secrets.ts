import { createHash } from "node:crypto";

/** What is kept of a secret: its SHA-256. Secrets here are random and long, so a plain hash is enough. */
export function hashOf(secret: string): string {
  return createHash("sha256").update(secret).digest("base64url");
}
