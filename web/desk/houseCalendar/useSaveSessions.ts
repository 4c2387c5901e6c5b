import type { CalendarDoc, CalendarSave } from "@lampcrate/contract";
import { useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../../shared/client.ts";
import { useKeys } from "../pieces/keys.ts";
import { useMay } from "../pieces/Lock.tsx";
import { useSave } from "../pieces/useSave.ts";
import { bookingsQuery, buyingQuery, calendarQuery, seasonQuery } from "../queries.ts";

/** Saving on the calendar of the house, and undoing what was saved; `leave` puts a session down as soon as the server has it. */
export function useSaveSessions(doc: CalendarDoc, leave?: (ids: readonly string[]) => void) {
  const queries = useQueryClient();
  const may = useMay()("plan");
  const onSaved = (next: CalendarDoc): void => {
    queries.setQueryData(calendarQuery.queryKey, next);
    // The runs' own desks and the season go by the same sessions.
    void queries.invalidateQueries({ queryKey: ["run"] });
    for (const { queryKey } of [bookingsQuery, seasonQuery, buyingQuery]) void queries.invalidateQueries({ queryKey });
  };
  const renew = { onSaved, renew: [calendarQuery] };
  const saving = useSave({
    ...renew,
    send: (json: CalendarSave) => ask(api.calendar.$put({ json })),
    onSaved: (next, { changes }) => {
      onSaved(next);
      leave?.(changes.map(({ id }) => id));
    },
  });
  const undoing = useSave({ ...renew, send: () => ask(api.calendar.undo.$post()) });
  const redoing = useSave({ ...renew, send: () => ask(api.calendar.redo.$post()) });
  const undo = (): void => void (may && doc.undo !== null && undoing.save(undefined));
  const redo = (): void => void (may && doc.redo !== null && redoing.save(undefined));
  useKeys([
    { key: "u", words: "undo", act: undo },
    { key: "z", ctrl: true, words: "undo", act: undo },
    { key: "y", ctrl: true, words: "do it again", act: redo },
  ]);
  return { saving, undo, redo, undoTrouble: undoing.trouble ?? redoing.trouble };
}
