import type { MaterialDoc, RunDoc } from "@lampcrate/contract";
import type { CrateInput, HeadsModel } from "@lampcrate/core";
import { type CrateFor, crateInput } from "@lampcrate/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useMemo, useRef, useState } from "react";
import { AskError, api, ask } from "../../shared/client.ts";
import { meQuery, runQuery } from "../queries.ts";
import { usePromised } from "../seasonData/usePromised.ts";
import type { RunWork } from "./RunContext.ts";
import { saveSettings } from "./settings.ts";
import { useBriefDraft } from "./useBriefDraft.ts";

/** Everything the steps of one run share: the brief's draft, which crate is shown, its heads while a dial moves. */
export function useRunState(run: RunDoc, stock: readonly MaterialDoc[]): RunWork {
  const queries = useQueryClient();
  const draft = useBriefDraft(run);
  const [chosen, setCrateFor] = useState<CrateFor | null>(null);
  const [headsTrouble, setHeadsTrouble] = useState<string | null>(null);
  const [dialled, setDialled] = useState<Readonly<Record<string, HeadsModel>>>({});
  const held = run.sessions.filter((session) => !session.cancelled);
  const now = useQuery(meQuery).data?.now ?? 0;
  const upcoming = held.find((session) => session.endAt >= now) ?? held.at(-1);
  const crateFor: CrateFor =
    chosen && (chosen.kind === "run" || held.some((s) => s.id === chosen.id))
      ? chosen
      : upcoming
        ? { kind: "session", id: upcoming.id }
        : { kind: "run" };
  const session = crateFor.kind === "session" ? (held.find((s) => s.id === crateFor.id) ?? null) : null;
  const of = session?.id ?? run.id;
  const promised = usePromised(session?.id ?? null);
  const materials = useMemo(
    () =>
      stock.map((m) => {
        const { taken, due } = promised.get(m.id) ?? { taken: 0, due: 0 };
        return { ...m, onHand: Math.max(0, m.onHand + due - taken) };
      }),
    [stock, promised],
  );
  const heads = dialled[of] ?? session?.heads ?? run.heads;
  const sessions = useMemo(() => run.sessions.map((s) => ({ ...s, heads: dialled[s.id] ?? s.heads })), [run.sessions, dialled]);
  const ofRun = dialled[run.id] ?? run.heads;
  const key = JSON.stringify(crateInput({ id: run.id, kind: run.kind, heads: ofRun }, draft.brief, sessions, materials, crateFor));
  // The same object while nothing in it has changed: what is reckoned from it rests with it.
  const input = useMemo(() => JSON.parse(key) as CrateInput, [key]);

  const changeHeads = (next: HeadsModel, settled: boolean): void => {
    setDialled((now) => ({ ...now, [of]: next }));
    if (settled) void saveHeads(next);
  };
  const saveHeads = async (next: HeadsModel): Promise<void> => {
    try {
      const saved = session
        ? await ask(
            api.runs[":id"].sessions[":session"].$put({
              param: { id: run.id, session: session.id },
              json: {
                revision: session.revision,
                title: session.title,
                roomId: session.roomId,
                start: session.start,
                minutes: session.minutes,
                setUpMin: session.setUpMin,
                tearDownMin: session.tearDownMin,
                heads: next,
              },
            }),
          )
        : await saveSettings(run, { heads: next });
      queries.setQueryData(runQuery(run.id).queryKey, saved);
      setDialled(({ [of]: _, ...rest }) => rest);
      setHeadsTrouble(null);
    } catch (error) {
      if (!(error instanceof AskError)) throw error;
      setHeadsTrouble(error.message);
      // The dial keeps its place; the next settled move tries again with what is saved now.
      await queries.invalidateQueries({ queryKey: runQuery(run.id).queryKey });
    }
  };
  const latestChange = useRef(changeHeads);
  latestChange.current = changeHeads;
  const { kind } = crateFor;
  // The same object while nothing in it has changed, so that what stands around it rests too.
  return useMemo(
    () => ({
      run,
      draft,
      materials,
      promised,
      crateFor: kind === "run" ? { kind } : { kind, id: of },
      setCrateFor,
      session,
      heads,
      headsTrouble,
      changeHeads: (next, settled) => latestChange.current(next, settled),
      crateInput: input,
    }),
    [run, draft, materials, promised, kind, of, session, heads, headsTrouble, input],
  );
}
