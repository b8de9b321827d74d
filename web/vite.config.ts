import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

// The built files land where the jar keeps static resources.
export default defineConfig({
  plugins: [react()],
  build: {
    outDir: "target/classes/META-INF/resources",
    emptyOutDir: true,
    target: "es2022",
  },
  server: { proxy: { "/api": "http://127.0.0.1:8740" } },
  test: { environment: "jsdom", include: ["src/**/*.test.{ts,tsx}"] },
});
