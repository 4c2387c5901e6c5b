import { QueryClientProvider } from "@tanstack/react-query";
import { App, ConfigProvider } from "antd";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { RouterProvider } from "react-router";
import "../shared/tokens.css";
import "./desk.css";
import "./brief/brief.css";
import { queries } from "./queryClient.ts";
import { router } from "./router.tsx";
import { benchTheme, stillTheme } from "./theme.ts";

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
