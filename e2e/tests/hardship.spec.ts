import { expect, test } from "@playwright/test";
import { backups, replica } from "../hardship/copies.ts";
import { clocks, diskFull, twoServers } from "../hardship/folder.ts";
import { kills } from "../hardship/kills.ts";
import { manyPictures } from "../hardship/manyPictures.ts";
import { slowSockets } from "../hardship/sockets.ts";
import type { Told } from "../hardship/told.ts";

/** What `npm run hardship` tries at length, once each: the words say what came of it when it is not what is promised. */
const tries: Readonly<Record<string, () => Promise<readonly Told[]>>> = {
  "killed hard in bursts and saves, nothing acknowledged is lost": () => kills(2, 300),
  "copied while entries come in, the copy holds all that was acknowledged before": backups,
  "with its disk lost, the house comes back from the replica but for the last second": replica,
  "a full disk is told to phones, and loses nothing": () => diskFull(4000),
  "large photos at once are all taken, each once": () => manyPictures(6),
  "a clock that is set erases nothing": clocks,
  "two servers don't share a folder": twoServers,
  "slow connections are hung up on, and don't hold up a stop": () => slowSockets(60),
};

for (const [words, tried] of Object.entries(tries))
  test(words, async () => {
    expect((await tried()).filter(({ good, timed }) => !good && !timed)).toEqual([]);
  });
