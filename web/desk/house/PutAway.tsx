import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { materialsQuery, putAwayQuery, seasonQuery } from "../queries.ts";

/** Runs and materials that were put away, each with its way back. */
export function PutAway() {
  const queries = useQueryClient();
  const runs = useQuery(putAwayQuery).data ?? [];
  const materials = (useQuery(materialsQuery).data ?? []).filter((material) => material.archived);
  const back = useMutation<unknown, Error, { of: "run" | "material"; id: string }>({
    mutationFn: ({ of, id }) =>
      of === "run" ? ask(api.runs[":id"].back.$post({ param: { id } })) : ask(api.materials[":id"].back.$post({ param: { id } })),
    onSettled: () =>
      Promise.all([
        queries.invalidateQueries(putAwayQuery),
        queries.invalidateQueries(materialsQuery),
        queries.invalidateQueries(seasonQuery),
      ]),
  });
  if (runs.length + materials.length === 0) return null;
  const bring = (of: "run" | "material", id: string, name: string) => (
    <Button size="small" aria-label={`Bring ${name} back`} onClick={() => back.mutate({ of, id })}>
      bring back
    </Button>
  );
  return (
    <section className="sheet pad stack" aria-label="Put away">
      <h2>Put away</h2>
      {back.error ? (
        <p role="alert" className="trouble">
          {back.error.message}
        </p>
      ) : null}
      <ul className="put-away">
        {runs.map(({ id, title, kind, entries }) => (
          <li key={id}>
            <Link to={`/run/${id}/findings`}>{title}</Link>{" "}
            <span className="soft small">
              {kind}, {entries} entries
            </span>{" "}
            {bring("run", id, title)}
          </li>
        ))}
        {materials.map(({ id, name }) => (
          <li key={id}>
            {name} <span className="soft small">a material</span> {bring("material", id, name)}
          </li>
        ))}
      </ul>
    </section>
  );
}
