import { isIPv6 } from "node:net";
import { getConnInfo } from "@hono/node-server/conninfo";
import type { Context } from "hono";

/**
 * Where a request came from, for counting tries. Behind `proxies` reverse proxies, each of which adds the address it
 * was asked from to x-forwarded-for, it is the one that the outermost of them saw: what stands before that was
 * written by the visitor and is not believed. An IPv6 address is its /64: one household or phone has them all.
 */
export function addressOf(c: Context, proxies: number): string {
  return networkOf(proxies === 0 ? socketAddress(c) : (forwarded(c, proxies) ?? socketAddress(c)));
}

function forwarded(c: Context, proxies: number): string | undefined {
  const hops = (c.req.header("x-forwarded-for") ?? "")
    .split(",")
    .map((hop) => hop.trim())
    .filter(Boolean);
  return hops.at(-proxies) ?? hops[0];
}

function socketAddress(c: Context): string {
  try {
    return getConnInfo(c).remote.address ?? "unknown";
  } catch {
    return "unknown";
  }
}

/** An address as tries are counted by: IPv4 as it is, IPv6 by its /64. */
export function networkOf(address: string): string {
  const plain = address.replace(/^::ffff:(?=\d+\.)/i, "").slice(0, 60);
  if (!isIPv6(plain)) return plain;
  const [head = "", tail] = plain.split("::");
  const before = head === "" ? [] : head.split(":");
  const after = tail === undefined || tail === "" ? [] : tail.split(":");
  const zeros = tail === undefined ? [] : Array.from({ length: 8 - before.length - after.length }, () => "0");
  return `${[...before, ...zeros, ...after].slice(0, 4).join(":")}::/64`;
}
