import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { lazy } from "react";
import { BrowserRouter, Outlet, Route, Routes } from "react-router";

import { Now } from "../areas/now/Now";
import { ActsProvider } from "./acts";
import { LookProvider } from "./LookProvider";
import { Shell } from "./Shell";
import { UndoProvider } from "./Undo";

const Plot = lazy(() => import("../areas/plot/Plot").then((m) => ({ default: m.Plot })));
const Round = lazy(() => import("../areas/round/Round").then((m) => ({ default: m.Round })));
const Planting = lazy(() => import("../areas/planting/Planting").then((m) => ({ default: m.Planting })));
const Gather = lazy(() => import("../areas/gather/Gather").then((m) => ({ default: m.Gather })));
const Plants = lazy(() => import("../areas/plants/Plants").then((m) => ({ default: m.Plants })));
const Plant = lazy(() => import("../areas/plants/Plant").then((m) => ({ default: m.Plant })));
const Compare = lazy(() => import("../areas/plants/Compare").then((m) => ({ default: m.Compare })));
const OwnPlant = lazy(() => import("../areas/plants/OwnPlant").then((m) => ({ default: m.OwnPlant })));
const Check = lazy(() => import("../areas/check/Check").then((m) => ({ default: m.Check })));
const FindCheck = lazy(() => import("../areas/check/Check").then((m) => ({ default: m.FindCheck })));
const What = lazy(() => import("../areas/check/What").then((m) => ({ default: m.What })));
const Characters = lazy(() => import("../areas/check/Characters").then((m) => ({ default: m.Characters })));
const Practice = lazy(() => import("../areas/practice/Practice").then((m) => ({ default: m.Practice })));
const Specimen = lazy(() => import("../areas/practice/Specimen").then((m) => ({ default: m.Specimen })));
const Ledger = lazy(() => import("../areas/ledger/Ledger").then((m) => ({ default: m.Ledger })));
const Settings = lazy(() => import("../areas/settings/Settings").then((m) => ({ default: m.Settings })));

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

export function App() {
  return (
    <LookProvider>
      <QueryClientProvider client={client}>
        <BrowserRouter>
          <Routes>
            <Route element={<WithActs />}>
              <Route element={<Shell />}>
                <Route index element={<Now />} />
                <Route path="plot" element={<Plot />} />
                <Route path="round" element={<Round />} />
                <Route path="plantings/:id" element={<Planting />} />
                <Route path="plantings/:id/check" element={<Check />} />
                <Route path="finds/:id/check" element={<FindCheck />} />
                <Route path="what" element={<What />} />
                <Route path="characters" element={<Characters />} />
                <Route path="practice" element={<Practice />} />
                <Route path="practice/:species/:other" element={<Specimen />} />
                <Route path="gather" element={<Gather />} />
                <Route path="plants" element={<Plants />} />
                <Route path="plants/compare/:ids" element={<Compare />} />
                <Route path="plants/own/:id?" element={<OwnPlant />} />
                <Route path="plants/:id" element={<Plant />} />
                <Route path="ledger" element={<Ledger />} />
                <Route path="settings" element={<Settings />} />
                <Route path="*" element={<p>There is no such page. The cane on the side leads back.</p>} />
              </Route>
            </Route>
          </Routes>
        </BrowserRouter>
      </QueryClientProvider>
    </LookProvider>
  );
}
