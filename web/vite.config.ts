import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { VitePWA } from "vite-plugin-pwa";
import { defineConfig } from "vitest/config";
import { languageAsked, speaking } from "./build/language.ts";

const LANGUAGE = languageAsked();

/**
 * The pages and the last that was seen of the kitchen stay on the device, so that a reload without a network goes on
 * where it was. The network always comes first; what is written waits in the outbox, never here.
 */
const offline = VitePWA({
  injectRegister: null,
  manifest: false,
  workbox: {
    // What all languages share, so that one worker serves them all; the page sees to the scripts of its own language.
    globPatterns: ["icon.svg", "assets/*.{css,woff2}"],
    navigateFallback: null,
    cleanupOutdatedCaches: true,
    clientsClaim: true,
    skipWaiting: true,
    runtimeCaching: [
      {
        // The core for the browser: kept by the page once a place that asks for it was opened (`api/core.ts`).
        urlPattern: ({ url }) => /^\/python\/(runtime|ferment)-/.test(url.pathname),
        handler: "CacheFirst",
        options: { cacheName: "python" },
      },
      {
        urlPattern: ({ url }) => /^\/assets\/.+\.js$/.test(url.pathname),
        handler: "CacheFirst",
        options: { cacheName: "scripts" },
      },
      {
        // A sheet or a calendar opened in a tab is no page of the application.
        urlPattern: ({ url, request }) =>
          request.mode === "navigate" && !/^\/api\/|\.\w+$/.test(url.pathname),
        handler: "NetworkFirst",
        options: {
          cacheName: "page",
          networkTimeoutSeconds: 3,
          // One page serves every address.
          plugins: [{ cacheKeyWillBeUsed: async () => "/" }],
        },
      },
      {
        urlPattern: ({ url, request }) =>
          request.method === "GET" &&
          /^\/api\/(session|kitchen|catalogue|discard|stock|flours|jars\/[0-9a-f-]+)$/.test(url.pathname),
        handler: "NetworkFirst",
        options: {
          cacheName: "kitchen",
          networkTimeoutSeconds: 4,
          plugins: [
            {
              fetchDidFail: async ({ state }) => {
                if (state) state.failed = true;
              },
              cachedResponseWillBeUsed: async ({ request, cachedResponse, state }) => {
                // What was kept knows nothing of what was just written (`api/ask-again.ts`): it stands in for a kitchen
                // that cannot be reached, not for one that is slow.
                if (!cachedResponse || (request.cache === "no-cache" && !state?.failed)) return null;
                // It tells an old time, by which no clock may be set.
                const headers = new Headers(cachedResponse.headers);
                headers.delete("Date");
                return new Response(cachedResponse.body, { status: cachedResponse.status, headers });
              },
            },
          ],
        },
      },
    ],
  },
});

export default defineConfig({
  plugins: [...speaking(LANGUAGE), react(), tailwindcss(), offline],
  base: "/",
  // Django replaces the placeholder with the nonce of the page's Content-Security-Policy.
  html: { cspNonce: "__CSP_NONCE__" },
  build: {
    // Each language is a build into the same folder, which is emptied before the first of them.
    emptyOutDir: false,
    rolldownOptions: {
      output: {
        entryFileNames: `assets/${LANGUAGE}/[name]-[hash].js`,
        chunkFileNames: `assets/${LANGUAGE}/[name]-[hash].js`,
      },
    },
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 600,
    // What is shipped from others, with its licences; the House shows it.
    license: { fileName: "notices.md" },
  },
  worker: {
    format: "es",
    rolldownOptions: { output: { entryFileNames: `assets/${LANGUAGE}/[name]-[hash].js` } },
  },
  server: { proxy: { "/api": process.env.DESPERTAR_API ?? "http://127.0.0.1:8420" } },
  // A page is made only for the tests that ask for one (`@vitest-environment jsdom`): most read words and sums.
  test: { environment: "node", include: ["src/**/*.test.{ts,tsx}"] },
});
