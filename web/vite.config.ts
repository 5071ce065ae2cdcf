import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [react()],
  build: {
    outDir: "dist",
    emptyOutDir: true,
    assetsInlineLimit: 0,
    // What a screen imports lies on the same machine: looking for what to load ahead takes longer than loading it.
    modulePreload: {
      polyfill: false,
      resolveDependencies: (_, files, { hostType }) => (hostType === "html" ? files : []),
    },
  },
  server: { proxy: { "/api": "http://127.0.0.1:8420" } },
});
