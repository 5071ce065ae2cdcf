import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { lazy, useEffect } from "react";
import { BrowserRouter, Outlet, Route, Routes } from "react-router";

import { ActsProvider } from "../parts/acts";
import { LookProvider } from "../parts/LookProvider";
import { UndoProvider } from "../parts/Undo";
import { screens } from "./areas";
import { Shell } from "./Shell";

/** The screens' code: fetched when one is opened, or else as soon as the first one stands. */
const routes = screens.map((screen) => ({
  path: screen.path,
  Screen: lazy(() => screen.load().then((component) => ({ default: component }))),
}));

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

/** Out on the round there may be no network: what may be opened there is fetched before. */
const fetchAfterMs = 1500;

function useFetchAhead() {
  useEffect(() => {
    const timer = setTimeout(() => {
      for (const screen of screens) screen.load().catch(() => undefined); // asked for again when opened
    }, fetchAfterMs);
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
