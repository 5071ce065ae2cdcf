import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

/** Pages beside the program's own: an empty one to measure by, and the logic alone to test. */
export default defineConfig({
  root: "bare",
  plugins: [react()],
  build: {
    outDir: "dist",
    emptyOutDir: true,
    rollupOptions: {
      input: ["bare/index.html", "bare/logic.html"],
    },
  },
});
