import { useWords } from "../../shared/words/useWords.ts";
import { sentBefore } from "./draft.ts";

interface SentBeforeProps {
  readonly code: string;
  /** The one that is open: its link stands elsewhere. */
  readonly but: string | null;
}

/** Private links of what was sent from this device before; nothing where there is none. */
export function SentBefore({ code, but }: SentBeforeProps) {
  const words = useWords();
  const others = sentBefore(code).filter(({ secret }) => secret !== but);
  if (others.length === 0) return null;
  return (
    <section className="card stacked near" aria-labelledby="sent-before">
      <h2 id="sent-before">{words.sent.before}</h2>
      <ul className="plain-list">
        {others.map(({ alias, secret }) => (
          <li key={secret}>
            <a href={`/h/mine#${secret}`}>{alias}</a>
          </li>
        ))}
      </ul>
    </section>
  );
}
