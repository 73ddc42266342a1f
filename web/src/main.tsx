import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { ApiProblem } from "./api/transport";
import { App } from "./App";
import "./styles.css";
import { AskFirst } from "./ui/AskFirst";
import { OutageBanner } from "./ui/OutageBanner";
import { printInDaylight } from "./ui/theme";

printInDaylight();

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      retry: (count, error) => !(error instanceof ApiProblem) && count < 2,
    },
  },
});

if (import.meta.env.PROD && "serviceWorker" in navigator) {
  void navigator.serviceWorker.register("/worker.js");
}

const root = document.getElementById("root");
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <OutageBanner />
        <AskFirst />
        <BrowserRouter>
          <App />
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
}
