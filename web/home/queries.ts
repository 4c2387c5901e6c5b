import type { GalleryPage, RevealPage } from "@lampcrate/contract";
import { infiniteQueryOptions, queryOptions } from "@tanstack/react-query";
import { api, ask } from "../shared/client.ts";
import { fetchFamily } from "./family.ts";

/** A published run's sheet, and with it what the page must know of its family. */
export const sheetQuery = (code: string) =>
  queryOptions({
    queryKey: ["sheet", code],
    queryFn: async () => {
      const sheet = await ask(api.public.runs[":code"].$get({ param: { code } }));
      await fetchFamily(sheet.brief.family);
      return sheet;
    },
  });

/** A run's sheet before it is published; for those who are signed in to its house. */
export const draftSheetQuery = (run: string) =>
  queryOptions({
    queryKey: ["draft sheet", run],
    queryFn: async () => {
      const sheet = await ask(api.runs[":id"].sheet.draft.$get({ param: { id: run } }));
      await fetchFamily(sheet.brief.family);
      return sheet;
    },
  });

export const revealQuery = (code: string) =>
  queryOptions({ queryKey: ["reveal", code], queryFn: () => ask(api.public.runs[":code"].reveal.$get({ param: { code } })) });

/** A reveal's builders beyond the first page, or those whose name begins so. */
export const revealMoreQuery = (code: string, find: string, first: number) =>
  infiniteQueryOptions({
    queryKey: ["reveal", code, "builders", find],
    queryFn: ({ pageParam }) =>
      ask(api.public.runs[":code"].reveal.builders.$get({ param: { code }, query: { from: String(pageParam), find } })),
    initialPageParam: first,
    getNextPageParam: (page: RevealPage) => page.next,
  });

/** Pictures on a reveal, a page at a time; asked for anew each time, for a yes may have been taken back. */
export const galleryQuery = (code: string) =>
  infiniteQueryOptions({
    queryKey: ["gallery", code],
    queryFn: ({ pageParam }) => ask(api.public.runs[":code"].pictures.$get({ param: { code }, query: { from: String(pageParam) } })),
    initialPageParam: 0,
    getNextPageParam: (page: GalleryPage) => page.next,
    staleTime: 0,
  });

/** A leader's group; the secret travels as a header only. */
export const groupQuery = (secret: string) =>
  queryOptions({
    queryKey: ["group", secret],
    queryFn: async () => {
      const group = await ask(api.public.group.$get({ header: { "x-entry-secret": secret } }));
      await fetchFamily(group.sheet.brief.family);
      return group;
    },
  });

/** One's own entry; the secret travels as a header only. */
export const mineQuery = (secret: string) =>
  queryOptions({
    queryKey: ["mine", secret],
    queryFn: async () => {
      const mine = await ask(api.public.mine.$get({ header: { "x-entry-secret": secret } }));
      await fetchFamily(mine.sheet.brief.family);
      return mine;
    },
  });
