import type { EntryDoc } from "@lampcrate/contract";
import { useHouseDay } from "../pieces/useHouseDay.ts";

/** What a family was asked, and what they said. */
export function Asks({ asks }: Pick<EntryDoc, "asks">) {
  const { dayOf } = useHouseDay();
  if (asks.length === 0) return null;
  return (
    <ul className="plain-list small" aria-label="Asked of the family">
      {asks.map(({ id, at, words, answer, answeredAt }) => (
        <li key={id}>
          Asked {dayOf(at)}: {words}{" "}
          {answer === null ? (
            <span className="soft">No answer yet.</span>
          ) : (
            <strong>
              They say{answeredAt === null ? "" : `, ${dayOf(answeredAt)}`}: <q>{answer}</q>
            </strong>
          )}
        </li>
      ))}
    </ul>
  );
}
