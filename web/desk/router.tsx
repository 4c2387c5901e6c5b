import { createBrowserRouter } from "react-router";
import {
  bookingsQuery,
  calendarQuery,
  entriesQuery,
  findingsQuery,
  houseQuery,
  learnedQuery,
  materialsQuery,
  meQuery,
  runQuery,
  seasonQuery,
  setupQuery,
  startersQuery,
  suppliersQuery,
} from "./queries.ts";
import { beside, ifMay, queries } from "./queryClient.ts";
import { Season } from "./season/Season.tsx";
import { Shell } from "./shell/Shell.tsx";
import { Stumble } from "./shell/Stumble.tsx";

const shell = beside(() => [queries.prefetchQuery(meQuery), queries.prefetchQuery(setupQuery), queries.prefetchQuery(houseQuery)]);
const season = beside(() => [queries.prefetchQuery(seasonQuery)]);
const start = beside(() => [queries.prefetchQuery(startersQuery)]);
const store = beside(() => [queries.prefetchQuery(materialsQuery), queries.prefetchQuery(suppliersQuery)]);
const run = beside((id) => [queries.prefetchQuery(runQuery(id)), queries.prefetchQuery(materialsQuery)]);
const learned = beside((id) => [queries.prefetchQuery(learnedQuery(id))]);
const calendar = beside(() => [queries.prefetchQuery(calendarQuery)]);
const bookings = beside(() => [queries.prefetchQuery(bookingsQuery)]);
const sift = beside((id) => [ifMay("sift", () => queries.prefetchInfiniteQuery(entriesQuery(id)))]);
const findings = beside((id) => [ifMay("sift", () => queries.prefetchQuery(findingsQuery(id)))]);

/** Where everything at the desk is. Every step loads when it is first opened. */
export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <Stumble />,
    HydrateFallback: () => null,
    loader: shell,
    children: [
      { index: true, loader: season, element: <Season /> },
      { path: "start", loader: start, lazy: { Component: async () => (await import("./start/Start.tsx")).Start } },
      {
        path: "calendar",
        loader: calendar,
        lazy: { Component: async () => (await import("./houseCalendar/HouseCalendar.tsx")).HouseCalendar },
      },
      {
        path: "calendar/place",
        loader: calendar,
        lazy: { Component: async () => (await import("./placing/PlaceSessions.tsx")).PlaceSessions },
      },
      { path: "floor", loader: calendar, lazy: { Component: async () => (await import("./floor/FloorDays.tsx")).FloorDays } },
      { path: "floor/:session", lazy: { Component: async () => (await import("./floor/Floor.tsx")).Floor } },
      { path: "floor/:session/close", lazy: { Component: async () => (await import("./floor/CloseDay.tsx")).CloseDay } },
      { path: "floor/:session/room", lazy: { Component: async () => (await import("./floor/RoomScreen.tsx")).RoomScreen } },
      { path: "buying", lazy: { Component: async () => (await import("./buying/Buying.tsx")).Buying } },
      { path: "store", loader: store, lazy: { Component: async () => (await import("./store/Store.tsx")).Store } },
      { path: "house", lazy: { Component: async () => (await import("./house/House.tsx")).House } },
      {
        path: "run/:id",
        loader: run,
        lazy: { Component: async () => (await import("./run/RunDesk.tsx")).RunDesk },
        children: [
          { path: "brief", loader: learned, lazy: { Component: async () => (await import("./brief/Brief.tsx")).Brief } },
          { path: "tryout", loader: learned, lazy: { Component: async () => (await import("./tryout/Tryout.tsx")).Tryout } },
          { path: "crate", loader: learned, lazy: { Component: async () => (await import("./crate/Crate.tsx")).Crate } },
          { path: "calendar", loader: bookings, lazy: { Component: async () => (await import("./calendar/Calendar.tsx")).Calendar } },
          { path: "rehearse", loader: learned, lazy: { Component: async () => (await import("./rehearse/Rehearse.tsx")).Rehearse } },
          { path: "publish", lazy: { Component: async () => (await import("./publish/Publish.tsx")).Publish } },
          { path: "sift", loader: sift, lazy: { Component: async () => (await import("./sift/Sift.tsx")).Sift } },
          { path: "outbox", lazy: { Component: async () => (await import("./outbox/Outbox.tsx")).Outbox } },
          { path: "findings", loader: findings, lazy: { Component: async () => (await import("./findings/Findings.tsx")).Findings } },
        ],
      },
      { path: "*", element: <Stumble /> },
    ],
  },
]);
