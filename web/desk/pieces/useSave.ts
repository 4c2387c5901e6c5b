import { type QueryKey, useMutation, useQueryClient } from "@tanstack/react-query";
import { AskError } from "../../shared/client.ts";

/** A save and how it stands. */
export interface Save<Input> {
  /** Sends it; true once the server has it. What is refused stays with whoever typed it, and is told in `trouble`. */
  readonly save: (input: Input) => Promise<boolean>;
  readonly pending: boolean;
  readonly trouble: AskError | null;
  /** What the server said of a field, or of anything inside it. */
  readonly message: (field: string) => string | undefined;
  /** What it said of none of the fields; null when every word stands at its field. */
  readonly rest: string | null;
  readonly forget: () => void;
}

interface Saving<Input, Output> {
  readonly send: (input: Input) => Promise<Output>;
  /** Takes what was saved in, before anything is fetched anew. */
  readonly onSaved?: (output: Output, input: Input) => void;
  /** Goes on once all that depends on it is here anew. */
  readonly onRenewed?: (output: Output) => void;
  /** Told when somebody else was there before: what was typed is still there. */
  readonly onStale?: () => Promise<void>;
  /** Saves of one name go one after the other, wherever they are asked for: each goes over what the one before has made. */
  readonly inTurn?: string;
  /** What is fetched anew afterwards, taken or refused as stale. */
  readonly renew?: readonly { readonly queryKey: QueryKey; readonly exact?: boolean }[];
}

/** One way to save at the desk: problem documents become words at their fields, and what depends on it is fetched anew. */
export function useSave<Input = void, Output = unknown>({
  send,
  onSaved,
  onRenewed,
  onStale,
  inTurn,
  renew = [],
}: Saving<Input, Output>): Save<Input> {
  const queries = useQueryClient();
  const renewAll = () => Promise.all(renew.map((what) => queries.invalidateQueries(what)));
  const sending = useMutation<Output, Error, Input>({
    mutationFn: send,
    ...(inTurn === undefined ? {} : { scope: { id: inTurn } }),
    networkMode: "always",
    onSuccess: async (output, input) => {
      onSaved?.(output, input);
      await renewAll();
      onRenewed?.(output);
    },
    onError: async (error) => {
      if (!(error instanceof AskError) || error.problem.status !== 409) return;
      await onStale?.();
      await renewAll();
    },
    throwOnError: (error) => !(error instanceof AskError),
  });
  const trouble = sending.error instanceof AskError ? sending.error : null;
  const told = trouble?.problem.errors ?? [];
  return {
    save: (input) =>
      sending.mutateAsync(input).then(
        () => true,
        () => false,
      ),
    pending: sending.isPending,
    trouble,
    message: (field) => trouble?.fieldMessage(field),
    rest: trouble && told.length === 0 ? trouble.message : null,
    forget: sending.reset,
  };
}
