import { useQuery } from "@tanstack/react-query";
import { useWords } from "../../shared/words/useWords.ts";
import { picturesLeftQuery } from "./picturesLeft.ts";

interface OnTheWayProps {
  /** Of the entry's private link. */
  readonly secret: string;
  /** Pictures that its entry names and the house may not have yet. */
  readonly count: number;
  /** What is said once this device has none left. */
  readonly done: (count: number) => string;
  readonly onArrived?: () => void;
}

/** Whether the pictures of a sent entry have arrived; sends those that have not, for as long as this is open. */
export function OnTheWay({ secret, count, done, onArrived }: OnTheWayProps) {
  const words = useWords().pictures;
  const { data } = useQuery(picturesLeftQuery(secret, onArrived));
  if (count === 0) return null;
  const left = data?.left ?? count;
  const came = count - (data?.refused.length ?? 0);
  return (
    <div role="status">
      {left > 0 ? <p className="ask">{words.onTheWay(left)}</p> : came > 0 ? <p className="soft">{done(came)}</p> : null}
      {data?.refused.map((said) => (
        <p key={said} className="ask">
          {said}
        </p>
      ))}
    </div>
  );
}
