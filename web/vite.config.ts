import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

// Days and times of tests are those of one clock, wherever they run.
process.env.TZ = "UTC";

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: { outDir: "target/classes/static", emptyOutDir: true, assetsInlineLimit: 0 },
  server: { proxy: { "/api": "http://127.0.0.1:8750" } },
  test: {
    environment: "happy-dom",
    testTimeout: 20_000,
    setupFiles: ["src/testing/server.ts"],
    include: ["src/**/*.test.{ts,tsx}"],
  },
});
