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
        // Each file that is asked for costs a slow phone some milliseconds: what one page needs at once comes in one, with all
        // that rests on it. What is taken first needs nothing of what is taken after it, so that none waits for another in a ring.
        codeSplitting: {
          groups: [
            { name: "begin", test: /preload-helper|\/home\/letters\.ts/, priority: 4 },
            { name: "draw", test: /\/node_modules\/(react|react-dom|scheduler)\//, priority: 3 },
            { name: "families", test: /\/core\/src\/family\//, minShareCount: 2, priority: 2.5 },
            { name: "pages", test: /\/home\/app\.tsx$/, priority: 2 },
            { name: "log", test: /\/home\/logbook\/Logbook\.tsx$/, priority: 1 },
          ],
        },
        // A device keeps its own language alone: the worker knows such a file by its name.
        chunkFileNames: ({ facadeModuleId }) =>
          /\/words\/src\/[a-z]{2,3}\.ts$/.test(facadeModuleId ?? "") ? "assets/read-in-[name]-[hash].js" : "assets/[name]-[hash].js",
      },
    },
  },
});
