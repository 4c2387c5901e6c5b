import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { App, ConfigProvider } from "antd";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { RouterProvider } from "react-router";
import { AskError } from "../shared/client.ts";
import "../shared/tokens.css";
import "./desk.css";
import "./brief/brief.css";
import { router } from "./router.tsx";
import { benchTheme, stillTheme } from "./theme.ts";

const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: 10_000, retry: (count, error) => count < 2 && error instanceof AskError && error.offline } },
});

const root = document.getElementById("root");
if (!root) throw new Error("the page has no root");
createRoot(root).render(
  <StrictMode>
    <ConfigProvider theme={stillTheme(benchTheme())} button={{ autoInsertSpace: false }}>
      <QueryClientProvider client={queries}>
        <App component={false}>
          <RouterProvider router={router} />
        </App>
      </QueryClientProvider>
    </ConfigProvider>
  </StrictMode>,
);
