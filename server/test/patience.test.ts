import { createServer, type IncomingMessage, type Server } from "node:http";
import { type AddressInfo, connect } from "node:net";
import { text } from "node:stream/consumers";
import { setTimeout as rest } from "node:timers/promises";
import { afterEach, beforeEach, expect, it } from "vitest";
import { hangingUp } from "../src/http/patience.ts";

let server: Server;
beforeEach(async () => {
  const answer = async (request: IncomingMessage): Promise<string> => {
    const body = await text(request);
    if (request.url === "/slow") await rest(700);
    return `${request.url} ${body}`;
  };
  server = createServer(
    hangingUp(
      (request, response) =>
        void answer(request).then(
          (words) => response.end(words),
          () => {},
        ),
      { usual: 250, picture: 5000 },
    ),
  );
  await new Promise<void>((listening) => server.listen(0, listening));
});
afterEach(() => server.close());

/** Sends a body a letter at a time, 60 ms apart; gives what was answered, "" where it was hung up on. */
const drip = (path: string, body: string): Promise<string> =>
  new Promise((ended) => {
    const socket = connect((server.address() as AddressInfo).port);
    let got = "";
    socket.on("data", (chunk) => {
      got += chunk.toString();
      socket.end();
    });
    socket.on("error", () => {});
    socket.on("close", () => ended(got));
    socket.write(`POST ${path} HTTP/1.1\r\nHost: x\r\ncontent-length: ${body.length}\r\n\r\n`);
    void (async () => {
      for (const letter of body) {
        await rest(60);
        socket.write(letter);
      }
    })();
  });

it("hangs up on a request that comes in slowly, but waits for a picture from a phone with a bad line", async () => {
  const [usual, picture] = await Promise.all([
    drip("/api/sign-in", "0123456789"),
    drip("/api/public/mine/pictures/demo-photo-1", "0123456789"),
  ]);
  expect(usual).toBe("");
  expect(picture).toContain("pictures/demo-photo-1 0123456789");
});

it("answers what came in whole, however long that takes", async () => {
  const { port } = server.address() as AddressInfo;
  expect(await (await fetch(`http://localhost:${port}/slow`, { method: "POST", body: "whole" })).text()).toBe("/slow whole");
  expect(await (await fetch(`http://localhost:${port}/slow`)).text()).toBe("/slow ");
});
