import type { FindingsDoc } from "@lampcrate/contract";

interface TogetherProps {
  readonly together: FindingsDoc["together"];
}

/** What all builders together show of each thing they changed: one by one they changed too much at once. */
export function Together({ together }: TogetherProps) {
  const { plain, rows, builders, leftOut, blank } = together;
  const [first, ...rest] = plain;
  const left = [
    leftOut > 0 ? `${leftOut} with one number only` : "",
    blank > 0 ? `${blank} versions that don't say what most others do` : "",
  ].filter(Boolean);
  return (
    <section className="sheet pad stack near" aria-label="All builders together">
      <h2>All builders together</h2>
      {first === undefined ? (
        <p>
          Too little to tell yet: it takes some builders with two versions or more, each with a number and with what they changed written
          down. So far that is {rows} {rows === 1 ? "version" : "versions"} of {builders} {builders === 1 ? "builder" : "builders"}.
        </p>
      ) : (
        <>
          <p>
            <strong>{first}</strong>
          </p>
          <ul className="plain-list">
            {rest.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
          <p className="small soft">
            From {rows} versions of {builders} builders, each held against their own other versions
            {left.length > 0 ? `; left out: ${left.join(", ")}` : ""}. Builders chose what they changed, so this is what goes together, no
            proof of a cause: a fair test changes one thing.
          </p>
        </>
      )}
    </section>
  );
}
