import { useQuery } from "@tanstack/react-query";
import { Advice } from "../../learned/Advice.tsx";
import { Lock } from "../../pieces/Lock.tsx";
import { learnedQuery, meQuery } from "../../queries.ts";
import { useBriefWork, useCrateWork } from "../../work/RunContext.ts";
import { CountForm } from "./CountForm.tsx";

/** After a session: what is left is counted, and the next crate learns from it. */
export function AfterSession() {
  const { run } = useBriefWork();
  const { session } = useCrateWork();
  const now = useQuery(meQuery).data?.now ?? 0;
  const learned = useQuery(learnedQuery(run.id)).data;
  const held = run.sessions.some((s) => !s.cancelled && s.endAt <= now);
  if (!learned || !held) return null;
  return (
    <section className="sheet pad stack" aria-label="After the session">
      <h2>After the session</h2>
      {session && session.endAt <= now ? (
        <Lock to="count">
          <CountForm key={session.id} session={session} counted={learned.counts.find((c) => c.sessionId === session.id) ?? null} />
        </Lock>
      ) : (
        <p className="soft small">Choose a session that is over, in the crate beside, to count what was left of it.</p>
      )}
      {learned.advice ? <Advice advice={learned.advice} learned={learned} /> : null}
    </section>
  );
}
