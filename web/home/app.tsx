import type { SheetDoc } from "@lampcrate/contract";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode, startTransition } from "react";
import { createRoot, hydrateRoot } from "react-dom/client";
import { createBrowserRouter, Outlet, RouterProvider, ScrollRestoration } from "react-router";
import { AskError } from "../shared/client.ts";
import { fetchFamily } from "./family.ts";
import { keepPages } from "./keeper/keep.ts";
import { OtherLanguages } from "./language/OtherLanguages.tsx";
import { speakPageLanguage } from "./language/pageLanguage.ts";
import { NewVersion } from "./NewVersion.tsx";
import { sheetQuery } from "./queries.ts";
import { Stumbled } from "./Stumbled.tsx";
import { Sheet } from "./sheet/Sheet.tsx";

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 30_000,
      // Without a line the answer is that there is none, not a page that waits for ever.
      networkMode: "always",
      retry: (count, error) => count < 2 && error instanceof AskError && error.offline,
    },
  },
});

/** Another page begins at its top, not where the one before was scrolled to. */
function Pages() {
  return (
    <>
      <OtherLanguages />
      <NewVersion />
      <Outlet />
      <ScrollRestoration />
    </>
  );
}

const router = createBrowserRouter([
  {
    element: <Pages />,
    errorElement: <Stumbled />,
    children: [
      { path: "/h", lazy: async () => ({ Component: (await import("./Door.tsx")).Door }), HydrateFallback: () => null },
      { path: "/h/mine", lazy: async () => ({ Component: (await import("./mine/Mine.tsx")).Mine }), HydrateFallback: () => null },
      { path: "/h/group", lazy: async () => ({ Component: (await import("./group/Group.tsx")).Group }), HydrateFallback: () => null },
      {
        path: "/h/:code/group",
        lazy: async () => ({ Component: (await import("./group/GroupSheet.tsx")).GroupSheet }),
        HydrateFallback: () => null,
      },
      {
        path: "/h/preview/:run",
        lazy: async () => ({ Component: (await import("./sheet/Preview.tsx")).Preview }),
        HydrateFallback: () => null,
      },
      { path: "/h/:code", element: <Sheet />, HydrateFallback: () => null },
      {
        path: "/h/:code/guide",
        lazy: async () => ({ Component: (await import("./sheet/Guide.tsx")).Guide }),
        HydrateFallback: () => null,
      },
      {
        path: "/h/:code/log",
        lazy: async () => ({ Component: (await import("./logbook/Logbook.tsx")).Logbook }),
        HydrateFallback: () => null,
      },
      {
        path: "/h/:code/reveal",
        lazy: async () => ({ Component: (await import("./reveal/Reveal.tsx")).Reveal }),
        HydrateFallback: () => null,
      },
    ],
  },
]);

/** The sheet that the server answered with: taken over at once, without asking for it again. False where it answered with none. */
async function takeOver(): Promise<boolean> {
  const text = document.getElementById("given-sheet")?.textContent;
  if (!text) return false;
  const sheet = JSON.parse(text) as SheetDoc;
  await fetchFamily(sheet.brief.family);
  queries.setQueryData(sheetQuery(location.pathname.split("/")[2] ?? "").queryKey, sheet);
  return true;
}

/** Puts the pages into the document, in its language. */
async function begin(): Promise<void> {
  const root = document.getElementById("root");
  if (!root) throw new Error("the page has no root");
  await speakPageLanguage();
  const isDrawn = await takeOver();
  const pages = (
    <StrictMode>
      <QueryClientProvider client={queries}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </StrictMode>
  );
  // A little at a time: whoever reads or scrolls meanwhile is not held up.
  startTransition(() => {
    // A sheet is taken over as it stands; of a logbook the server draws the head alone.
    if (isDrawn && !location.pathname.endsWith("/log")) hydrateRoot(root, pages);
    else createRoot(root).render(pages);
  });
}

/** Once the pages stand; a file of theirs that was lost on its way is the caller's to tell. */
export const begun = begin();

/** What a page that was closed had not sent yet goes on by itself. */
async function goOn(): Promise<void> {
  const { sendOutgoing } = await import("./sending/outgoing.ts");
  await sendOutgoing();
  const [{ dropLost }, { isKept }] = await Promise.all([import("./pictures/album.ts"), import("./logbook/draft.ts")]);
  await dropLost(isKept);
}
window.addEventListener("online", () => void goOn());

// Once the page stands: what comes later is for the next time.
setTimeout(() => {
  void keepPages();
  void goOn();
}, 2500);
