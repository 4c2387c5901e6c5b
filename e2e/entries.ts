import { blankTrial, type EntryInput } from "@lampcrate/contract";
import { demoSignIn, type House } from "./harness.ts";

/** One of a burst of entries of the descent family; the same number gives the same entry. */
export function burstEntry(i: number): EntryInput {
  const name = `burst-${String(i).padStart(6, "0")}`;
  const version = (mean: number) => ({
    role: "build" as const,
    changed: "wings",
    madeOf: "copy paper",
    pictures: [],
    variables: { kind: "spinner", sizeM: 0.08 },
    guess: "1.5",
    guessed: "before" as const,
    place: "indoors" as const,
    trials: [0, 0.03, 0.06].map((more) => ({ ...blankTrial("hand stopwatch"), raw: (mean + more).toFixed(2) })),
  });
  return {
    id: name.padEnd(24, "x"),
    secret: `secret-${name}`.padEnd(32, "y"),
    ageBand: null,
    consentKeep: true,
    consentPhoto: false,
    consentVersion: "en-1",
    said: "",
    tokens: [],
    timer: null,
    answers: [],
    versions: [version(1.2), version(1.5)],
  };
}

/** The code of a run of the demo. */
export async function demoCode(house: House, title: string): Promise<string> {
  const signedIn = await fetch(`${house.url}/api/sign-in`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(demoSignIn),
  });
  const cookie = signedIn.headers.get("set-cookie")?.split(";")[0] ?? "";
  const season = (await (await fetch(`${house.url}/api/season`, { headers: { cookie } })).json()) as {
    runs: { title: string; code: string | null }[];
  };
  const code = season.runs.find((run) => run.title === title)?.code;
  if (!code) throw new Error(`the demo has no published run ${title}`);
  return code;
}
