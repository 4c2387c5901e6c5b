import type { SessionDoc, SessionInput } from "@lampcrate/contract";

/** A session as it is sent to be saved. */
export function sessionInput(session: SessionDoc): SessionInput {
  const { title, roomId, start, minutes, setUpMin, tearDownMin, heads, people, part, kind, cancelled } = session;
  return { title, roomId, start, minutes, setUpMin, tearDownMin, heads, people, part, kind, cancelled };
}
