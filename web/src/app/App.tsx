import { QueryClientProvider } from "@tanstack/react-query";
import { useEffect } from "react";
import { BrowserRouter, Outlet, Route, Routes } from "react-router";

import { ActsProvider } from "../parts/acts";
import { fetchAhead } from "../parts/ahead";
import { LookProvider } from "../parts/LookProvider";
import { UndoProvider } from "../parts/Undo";
import { plotClient } from "./plotClient";
import { routes } from "./routes";
import { Shell } from "./Shell";

function WithActs() {
  return (
    <UndoProvider>
      <ActsProvider>
        <Outlet />
      </ActsProvider>
    </UndoProvider>
  );
}

const fetchAfterMs = 5000;

function useFetchAhead() {
  useEffect(() => {
    // On a slow phone the first page goes before.
    const timer = setTimeout(() => requestIdleCallback(fetchAhead, { timeout: 4000 }), fetchAfterMs);
    return () => clearTimeout(timer);
  }, []);
}

export function App() {
  useFetchAhead();
  return (
    <LookProvider>
      <QueryClientProvider client={plotClient}>
        <BrowserRouter>
          <Routes>
            <Route element={<WithActs />}>
              <Route element={<Shell />}>
                {routes.map(({ screen, Screen }) => (
                  <Route key={screen.path} path={screen.path} element={<Screen />} />
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
