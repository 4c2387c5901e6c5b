import type { LetterDoc } from "@lampcrate/contract";
import { codeInAddress } from "@lampcrate/core";
import { Link } from "react-router";
import { useWords } from "../../shared/words/useWords.ts";
import { dayWords } from "../dayWords.ts";

interface LettersProps {
  readonly letters: readonly LetterDoc[];
  /** Of the challenge. */
  readonly code: string;
}

/** What the house wrote, the newest first: the house knows no address, so it is read here. */
export function Letters({ letters, code }: LettersProps) {
  const words = useWords();
  if (letters.length === 0) return null;
  return (
    <section className="card letters" aria-labelledby="letters">
      <h2 id="letters">{words.mine.letters}</h2>
      {letters.map(({ id, kind, at, subject, body }) => (
        <details key={id}>
          <summary>
            {subject} <span className="soft small">{dayWords(at)}</span>
          </summary>
          {kind === "reveal" ? (
            <p>
              <Link to={`/h/${codeInAddress(code)}/reveal`}>{words.reveal.title}</Link>
            </p>
          ) : (
            <p>{body}</p>
          )}
        </details>
      ))}
    </section>
  );
}
