import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";

/** What a phone shows of the program once it is installed there. */
const manifest = {
  id: "/",
  name: "Brambly Acre",
  short_name: "Brambly Acre",
  description: "The living plan of your plot",
  start_url: "/",
  display: "standalone" as const,
  background_color: "#f4efe4",
  theme_color: "#f4efe4",
  icons: [
    { src: "/sprig.svg", sizes: "any", type: "image/svg+xml" },
    { src: "/icon-192.png", sizes: "192x192", type: "image/png" },
    { src: "/icon-512.png", sizes: "512x512", type: "image/png" },
    { src: "/icon-512.png", sizes: "512x512", type: "image/png", purpose: "maskable" as const },
  ],
  shortcuts: [
    { name: "Round", url: "/round" },
    { name: "Out to pick", url: "/gather/out" },
  ],
};

export default defineConfig({
  plugins: [
    react(),
    VitePWA({
      strategies: "injectManifest",
      srcDir: "src/offline",
      filename: "worker.ts",
      injectRegister: false,
      // A device of the house shows itself by its cookie: what is fetched for it is fetched with that.
      useCredentials: true,
      manifest,
      includeManifestIcons: false,
      injectManifest: {
        rollupFormat: "iife",
        globPatterns: ["assets/*.{js,css,woff2}", "*.svg"],
        maximumFileSizeToCacheInBytes: 4 << 20,
      },
    }),
  ],
  build: {
    outDir: "dist",
    emptyOutDir: true,
    assetsInlineLimit: 0,
    // Of these and of the Go modules the notices are made: tools/notices.
    license: { fileName: "licences.json" },
    // What a screen imports lies on the same machine: looking for what to load ahead takes longer than loading it.
    modulePreload: {
      polyfill: false,
      resolveDependencies: (_, files, { hostType }) => (hostType === "html" ? files : []),
    },
  },
  server: { proxy: { "/api": "http://127.0.0.1:8420" } },
});
