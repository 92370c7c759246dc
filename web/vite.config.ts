import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react(), tailwindcss()],
  base: "/",
  // Django replaces the placeholder with the nonce of the page's Content-Security-Policy.
  html: { cspNonce: "__CSP_NONCE__" },
  build: { assetsInlineLimit: 0, chunkSizeWarningLimit: 600 },
  server: { proxy: { "/api": process.env.DESPERTAR_API ?? "http://127.0.0.1:8420" } },
  test: { environment: "jsdom", include: ["src/**/*.test.{ts,tsx}"] },
});
