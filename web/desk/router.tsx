import { createBrowserRouter } from "react-router";
import { Season } from "./season/Season.tsx";
import { Shell } from "./shell/Shell.tsx";
import { Stumble } from "./shell/Stumble.tsx";

/** Where everything at the desk is. Every step loads when it is first opened. */
export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <Stumble />,
    HydrateFallback: () => null,
    children: [
      { index: true, element: <Season /> },
      { path: "start", lazy: async () => ({ Component: (await import("./start/Start.tsx")).Start }) },
      { path: "buying", lazy: async () => ({ Component: (await import("./buying/Buying.tsx")).Buying }) },
      { path: "store", lazy: async () => ({ Component: (await import("./store/Store.tsx")).Store }) },
      { path: "house", lazy: async () => ({ Component: (await import("./house/House.tsx")).House }) },
      {
        path: "run/:id",
        lazy: async () => ({ Component: (await import("./run/RunDesk.tsx")).RunDesk }),
        children: [
          { path: "brief", lazy: async () => ({ Component: (await import("./brief/Brief.tsx")).Brief }) },
          { path: "tryout", lazy: async () => ({ Component: (await import("./tryout/Tryout.tsx")).Tryout }) },
          { path: "crate", lazy: async () => ({ Component: (await import("./crate/Crate.tsx")).Crate }) },
          { path: "calendar", lazy: async () => ({ Component: (await import("./calendar/Calendar.tsx")).Calendar }) },
          { path: "publish", lazy: async () => ({ Component: (await import("./publish/Publish.tsx")).Publish }) },
          { path: "sift", lazy: async () => ({ Component: (await import("./sift/Sift.tsx")).Sift }) },
          { path: "findings", lazy: async () => ({ Component: (await import("./findings/Findings.tsx")).Findings }) },
        ],
      },
      { path: "*", element: <Stumble /> },
    ],
  },
]);
