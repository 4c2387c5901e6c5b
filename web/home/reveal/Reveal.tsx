import type { RevealDoc } from "@lampcrate/contract";
import { showNumber, showQuantity } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { RigDrawing } from "../../shared/pieces/RigDrawing.tsx";
import { useWords } from "../../shared/words/useWords.ts";
import { familyOf } from "../family.ts";
import { revealQuery, sheetQuery } from "../queries.ts";
import { Trouble } from "../Trouble.tsx";

/** What everybody found: aliases only, ranks only when the run's scoring says so. */
export function Reveal() {
  const { code = "" } = useParams();
  const words = useWords();
  const reveal = useQuery(revealQuery(code));
  const sheet = useQuery(sheetQuery(code));
  if (reveal.isPending || sheet.isPending) return <main className="home soft">{words.common.loading}</main>;
  if (reveal.isError) return <Trouble error={reveal.error} onRetry={() => void reveal.refetch()} />;
  if (sheet.isError) return <Trouble error={sheet.error} onRetry={() => void sheet.refetch()} />;
  const { brief, units } = sheet.data;
  const family = familyOf(brief.family);
  const { dimension } = family.measures(brief.spec)[0];
  const show = (value: number | null): string => (value === null ? "–" : showQuantity(value, dimension, units));
  const { builders, scoring } = reveal.data;
  return (
    <main className="home">
      <header>
        <p className="soft small">{reveal.data.house}</p>
        <h1>{reveal.data.title}</h1>
      </header>
      <p className="goal">{reveal.data.goalWords}</p>
      <div className="card picture">
        <RigDrawing scene={family.drawing(brief.spec, brief.design)} units={units} tall={230} small />
      </div>
      <div className="plain-words">
        {reveal.data.plain.map((line, i) => (
          <p key={line}>{i === 0 ? <strong>{line}</strong> : line}</p>
        ))}
      </div>
      {scoring === "celebrate" ? null : <Lists reveal={reveal.data} />}
      <section className="card">
        <h2>{words.reveal.firstLast}</h2>
        <table>
          <tbody>
            {builders.map((builder) => (
              <tr key={builder.alias}>
                <th scope="row">
                  {builder.rank === null ? "" : `${builder.rank}. `}
                  {builder.alias}
                </th>
                <td className="number">{show(builder.first)}</td>
                <td className="number">{show(builder.last)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <p className="small soft">{words.reveal.aliases}</p>
      <div>
        <Link className="plain" to={`/h/${code}`}>
          {words.common.back}
        </Link>
      </div>
    </main>
  );
}

function Lists({ reveal }: { readonly reveal: RevealDoc }) {
  const words = useWords();
  const met = reveal.builders.filter((builder) => builder.metGoal);
  const improved = reveal.builders
    .filter((builder) => (builder.improved ?? 0) > 1)
    .sort((a, b) => (b.improved ?? 0) - (a.improved ?? 0))
    .slice(0, 8);
  return (
    <>
      <section className="card">
        <h2>{words.reveal.goalMet}</h2>
        <p>{met.length === 0 ? words.reveal.none : met.map((builder) => builder.alias).join(", ")}</p>
      </section>
      {reveal.scoring === "goal-improved" && improved.length > 0 ? (
        <section className="card">
          <h2>{words.reveal.improved}</h2>
          <ul>
            {improved.map((builder) => (
              <li key={builder.alias}>
                {builder.alias}: {words.reveal.times(showNumber(builder.improved ?? 1, 2))}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
    </>
  );
}
