import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { useEffect } from "react";
import { BrowserRouter, Outlet, Route, Routes } from "react-router";

import { ActsProvider } from "../parts/acts";
import { fetchAhead, fetchedAhead } from "../parts/ahead";
import { LookProvider } from "../parts/LookProvider";
import { UndoProvider } from "../parts/Undo";
import { screens } from "./areas";
import { Shell } from "./Shell";

const routes = screens.map((screen) => ({ path: screen.path, Screen: fetchedAhead(screen.load) }));

const client = new QueryClient({
  // The server is on this machine or this network: what it says holds until something changes.
  defaultOptions: {
    queries: { staleTime: 60_000, retry: 1, networkMode: "always" },
    mutations: { networkMode: "always" },
  },
});

function WithActs() {
  return (
    <UndoProvider>
      <ActsProvider>
        <Outlet />
      </ActsProvider>
    </UndoProvider>
  );
}

const fetchAfterMs = 1500;

function useFetchAhead() {
  useEffect(() => {
    const timer = setTimeout(fetchAhead, fetchAfterMs);
    return () => clearTimeout(timer);
  }, []);
}

export function App() {
  useFetchAhead();
  return (
    <LookProvider>
      <QueryClientProvider client={client}>
        <BrowserRouter>
          <Routes>
            <Route element={<WithActs />}>
              <Route element={<Shell />}>
                {routes.map(({ path, Screen }) => (
                  <Route key={path} path={path} element={<Screen />} />
                ))}
                <Route path="*" element={<p>There is no such page. The cane on the side leads back.</p>} />
              </Route>
            </Route>
          </Routes>
        </BrowserRouter>
      </QueryClientProvider>
    </LookProvider>
  );
}
