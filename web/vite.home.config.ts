import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

/** The family pages, built by themselves: what they share with the desk would come in dozens of small pieces over a slow line. */
export default defineConfig({
  plugins: [react()],
  worker: { format: "es" },
  build: {
    outDir: "dist",
    emptyOutDir: false,
    manifest: true,
    target: "es2022",
    modulePreload: { polyfill: false },
    rollupOptions: { input: { home: new URL("home.html", import.meta.url).pathname } },
  },
});
