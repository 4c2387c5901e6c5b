import type { ClaimDoc } from "@lampcrate/contract";
import { useWords } from "../../shared/words/useWords.ts";

interface WonProps {
  readonly claims: readonly ClaimDoc[];
  /** What one may win, as the sheet says it. */
  readonly prize: string;
}

/** What was won, with the code to show at the house. */
export function Won({ claims, prize }: WonProps) {
  const words = useWords().mine.won;
  if (claims.length === 0) return null;
  return (
    <section className="card stacked" aria-labelledby="won">
      <h2 id="won">{words.title}</h2>
      {prize === "" ? null : <p>{prize}</p>}
      {claims.map(({ alias, code, claimedAt }) => (
        <p key={alias}>
          {alias}: <strong className="goal">{code}</strong> {claimedAt === null ? words.show : words.handedOut}
        </p>
      ))}
    </section>
  );
}
