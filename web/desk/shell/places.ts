import type { FoundEntry, MaterialDoc, RunSummary, StaffDoc, SupplierDoc } from "@lampcrate/contract";
import { crateCode } from "@lampcrate/core";

/** Somewhere to go, in words. */
export interface Place {
  readonly words: string;
  readonly to: string;
}

interface Known {
  readonly runs: readonly RunSummary[];
  readonly steps: readonly { readonly name: string; readonly path: string }[];
  readonly materials: readonly MaterialDoc[];
  readonly suppliers: readonly SupplierDoc[];
  readonly people: readonly StaffDoc[];
  /** Entries that the server found by these letters. */
  readonly entries: readonly FoundEntry[];
}

const views: readonly Place[] = [
  { words: "Season", to: "/" },
  { words: "Calendar of the house", to: "/calendar" },
  { words: "Floor", to: "/floor" },
  { words: "Buying", to: "/buying" },
  { words: "Store room", to: "/store" },
  { words: "House", to: "/house" },
];

/** Places shown at a time. */
const most = 9;

/** Where the words typed may lead: a crate by its code first, then views, runs' steps, entries by alias, materials, suppliers and people that have all of them. */
export function placesFor(typed: string, { runs, steps, materials, suppliers, people, entries }: Known): readonly Place[] {
  const scanned = typed.trim().toUpperCase().slice(0, 4);
  const coded = runs.filter(
    (run) => scanned.length === 4 && [run.id, ...run.sessions.map((session) => session.id)].some((id) => crateCode(id) === scanned),
  );
  const all: readonly Place[] = [
    ...views,
    ...runs.flatMap((run) =>
      steps.map(({ name, path }) => ({ words: `${run.title}: ${name.toLowerCase()}`, to: `/run/${run.id}/${path}` })),
    ),
    ...materials.filter((m) => !m.archived).map((m) => ({ words: `${m.name}: in the store room`, to: `/store?material=${m.id}` })),
    ...suppliers.map((s) => ({ words: `${s.name}: supplier`, to: "/store#suppliers" })),
    ...people.map((p) => ({ words: `${p.name}: ${p.role}`, to: "/house" })),
  ];
  const wanted = typed.toLowerCase().split(" ").filter(Boolean);
  return [
    ...coded.map((run) => ({ words: `${run.title}: the crate with code ${scanned}`, to: `/run/${run.id}/crate` })),
    ...entries.map((found) => ({
      words: `${found.alias}: entry of ${found.runTitle}, ${found.state}`,
      to: `/run/${found.runId}/sift?entry=${found.id}`,
    })),
    ...all.filter((place) => wanted.every((word) => place.words.toLowerCase().includes(word))),
  ].slice(0, most);
}
