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
    rollupOptions: {
      input: { home: new URL("home.html", import.meta.url).pathname },
      output: {
        // A device keeps its own language alone: the worker knows such a file by its name.
        chunkFileNames: ({ facadeModuleId }) =>
          /\/words\/src\/[a-z]{2,3}\.ts$/.test(facadeModuleId ?? "") ? "assets/read-in-[name]-[hash].js" : "assets/[name]-[hash].js",
      },
    },
  },
});
