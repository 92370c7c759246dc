import "@fontsource-variable/source-sans-3";
import "@fontsource/young-serif";
import "./app.css";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { setNonce } from "get-nonce";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { askAgain } from "../api/ask-again";
import { outbox } from "../api/outbox";
import { AsRead } from "../ui/direction";
import { ToastProvider } from "../ui/toast";
import { keepForOffline } from "./offline";
import { Pages } from "./routes";
import { applyTheme } from "./theme";

applyTheme();
keepForOffline();
// Dialogs lock the page's scrolling with a style element, which the policy lets in only with the page's nonce.
setNonce(document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce ?? "");

const queries = new QueryClient({
  defaultOptions: {
    queries: { networkMode: "always", retry: 1, staleTime: 5_000, refetchOnWindowFocus: true },
  },
});
outbox.onSaved(() => void askAgain(queries));

const root = document.getElementById("root");
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <AsRead>
          <ToastProvider>
            <Pages />
          </ToastProvider>
        </AsRead>
      </QueryClientProvider>
    </StrictMode>,
  );
}
