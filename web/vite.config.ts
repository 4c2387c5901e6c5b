import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [react()],
  worker: { format: "es" },
  build: {
    outDir: "dist",
    emptyOutDir: true,
    manifest: ".vite/desk.json",
    target: "es2022",
    modulePreload: { polyfill: false },
    chunkSizeWarningLimit: 1600,
    rollupOptions: {
      input: { desk: new URL("index.html", import.meta.url).pathname },
    },
  },
  server: { proxy: { "/api": "http://localhost:8150" } },
});
