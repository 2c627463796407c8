import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { App } from "./App";
import { notNow, postKept } from "./api/client";
import { applyPrint, storedPrint } from "./lib/theme";
import { dropTyped, sendKept, stayAlive, takeOver } from "./lib/waiting";
import "./styles.css";

applyPrint(storedPrint());

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      // a refusal is an answer; only a server that cannot answer now is asked again
      retry: (count, error) => count < 2 && notNow(error),
      networkMode: "always",
    },
    mutations: { networkMode: "always" },
  },
});

// what this tab could not send before it was loaded anew, and what tabs could not that are closed
const send = () =>
  void sendKept(postKept, notNow).then((sent) => (sent > 0 ? queries.invalidateQueries() : undefined));
dropTyped(localStorage, sessionStorage);
takeOver(localStorage);
send();
stayAlive(localStorage, send);

const root = document.getElementById("root");
if (root === null) throw new Error("the page has no root");
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <App />
    </QueryClientProvider>
  </StrictMode>,
);
