import { queryOptions } from "@tanstack/react-query";
import { api, ask } from "../shared/client.ts";

/** A published run's sheet. */
export const sheetQuery = (code: string) =>
  queryOptions({ queryKey: ["sheet", code], queryFn: () => ask(api.public.runs[":code"].$get({ param: { code } })) });

export const revealQuery = (code: string) =>
  queryOptions({ queryKey: ["reveal", code], queryFn: () => ask(api.public.runs[":code"].reveal.$get({ param: { code } })) });

/** One's own entry; the secret travels as a header only. */
export const mineQuery = (secret: string) =>
  queryOptions({ queryKey: ["mine"], queryFn: () => ask(api.public.mine.$get({ header: { "x-entry-secret": secret } })) });
