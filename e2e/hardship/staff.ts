import { demoSignIn, type House } from "../harness.ts";

/** A signed-in planner over HTTP. */
export interface Planner {
  readonly get: (path: string) => Promise<Response>;
  readonly send: (method: string, path: string, body?: unknown) => Promise<Response>;
  readonly run: (title: string) => Promise<{ readonly id: string; readonly code: string }>;
}

/** Signs in to a demo house. */
export async function signInTo(house: House): Promise<Planner> {
  const headers = { "content-type": "application/json" };
  const signedIn = await fetch(`${house.url}/api/sign-in`, { method: "POST", headers, body: JSON.stringify(demoSignIn) });
  const cookie = signedIn.headers.get("set-cookie")?.split(";")[0] ?? "";
  const get = (path: string): Promise<Response> => fetch(`${house.url}${path}`, { headers: { cookie } });
  return {
    get,
    send: (method, path, body) =>
      fetch(`${house.url}${path}`, {
        method,
        headers: { ...headers, cookie },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      }),
    run: async (title) => {
      const season = (await (await get("/api/season")).json()) as { runs: { id: string; title: string; code: string | null }[] };
      const found = season.runs.find((run) => run.title === title);
      if (!found) throw new Error(`the demo has no run ${title}`);
      return { id: found.id, code: found.code ?? "" };
    },
  };
}
